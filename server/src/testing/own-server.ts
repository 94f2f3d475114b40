import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT } from './database.ts';

/** A Yohaku started the way a user starts it, with a cluster of its own in a throw-away folder. */
export class OwnServer {
  data = mkdtempSync(join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), 'yohaku-own-'));
  readonly port: number;
  process: ChildProcess | undefined;
  link = '';
  /** The output on standard error since the last start. */
  said = '';

  constructor(port: number) {
    this.port = port;
  }

  static async create(): Promise<OwnServer> {
    const port = await new Promise<number>((resolve) => {
      const probe = createServer();
      probe.listen(0, '127.0.0.1', () => {
        const { port } = probe.address() as { port: number };
        probe.close(() => resolve(port));
      });
    });
    return new OwnServer(port);
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** Starts and waits for the printed address. */
  async start(env: Record<string, string> = {}): Promise<void> {
    const child = this.spawn(['--port', String(this.port), '--data', this.data], env);
    this.process = child;
    this.said = '';
    this.link = await new Promise<string>((resolve, reject) => {
      let out = '';
      child.stdout!.on('data', (chunk: Buffer) => {
        out += chunk.toString();
        const link = /http\S+sign-in#\S+/.exec(out)?.[0];
        if (link) resolve(link);
      });
      child.stderr!.on('data', (chunk: Buffer) => (this.said += chunk.toString()));
      child.on('exit', (code) => reject(new Error(`start ended with ${code}: ${this.said}`)));
    });
  }

  spawn(args: readonly string[], more: Record<string, string> = {}): ChildProcess {
    const { DATABASE_URL: _none, ...env } = process.env;
    return spawn(join(ROOT, 'yohaku'), ['start', ...args], {
      env: { ...env, YOHAKU_TEST_FAST: '1', ...more },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
  }

  /** Runs a start that must refuse: its exit code and what it said. */
  async refusal(
    args: readonly string[],
    env: Record<string, string> = {},
  ): Promise<{ code: number | null; said: string }> {
    const child = this.spawn(args, env);
    let said = '';
    child.stderr!.on('data', (chunk: Buffer) => (said += chunk.toString()));
    return new Promise((resolve) => child.on('exit', (code) => resolve({ code, said })));
  }

  /** Sends a signal and waits for the end. */
  async end(signal: NodeJS.Signals): Promise<void> {
    const child = this.process!;
    const ended = new Promise((resolve) => child.once('exit', resolve));
    child.kill(signal);
    await ended;
  }

  get clusterFolder(): string {
    const named = readFileSync(join(this.data, 'cluster-folder'), 'utf8').trim();
    return named.startsWith('/') ? named : join(this.data, named);
  }

  /** Process id and port of the cluster's own server; undefined when none runs. */
  get postmaster(): { pid: number; port: number } | undefined {
    const file = join(this.clusterFolder, 'postmaster.pid');
    if (!existsSync(file)) return undefined;
    const lines = readFileSync(file, 'utf8').split('\n');
    return { pid: Number(lines[0]), port: Number(lines[3]) };
  }

  /** Process of the server itself, which `start` looks after. */
  get serverPid(): number {
    return Number(readFileSync(join(this.data, 'server.pid'), 'utf8').split(' ')[0]);
  }

  /** The same, or 0 once `start` has given it up and cleared away behind itself. */
  get serverPidIfAny(): number {
    return existsSync(join(this.data, 'server.pid')) ? this.serverPid : 0;
  }

  /**
   * Stops the database alone, waits until it is gone, and keeps `start` from bringing it back: this process holds the
   * lock it needs for that.
   */
  async stopDatabase(): Promise<void> {
    const lock = join(this.data, 'cluster.lock');
    while (existsSync(lock)) await new Promise((resolve) => setTimeout(resolve, 20));
    mkdirSync(lock);
    writeFileSync(join(lock, 'owner'), `${process.pid}\n\n\n`);
    const { pid } = this.postmaster!;
    process.kill(pid, 'SIGINT');
    while (existsSync(join(this.clusterFolder, 'postmaster.pid')))
      await new Promise((resolve) => setTimeout(resolve, 50));
  }

  /** Lets `start` bring the database back. */
  letDatabaseStart(): void {
    rmSync(join(this.data, 'cluster.lock'), { recursive: true });
  }

  async dispose(): Promise<void> {
    if (this.process && this.process.exitCode === null && this.process.signalCode === null) await this.end('SIGTERM');
    if (existsSync(join(this.data, 'cluster-folder'))) {
      if (this.postmaster) {
        try {
          process.kill(this.postmaster.pid, 'SIGQUIT');
        } catch {
          // Gone already.
        }
      }
      rmSync(this.clusterFolder, { recursive: true, force: true });
    }
    rmSync(this.data, { recursive: true, force: true });
  }
}
