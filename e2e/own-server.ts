import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT } from '../server/src/testing/database.ts';

/** A Yohaku started the way a user starts it, with a cluster of its own in a throw-away folder. */
export class OwnServer {
  readonly data = mkdtempSync(join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), 'yohaku-own-'));
  readonly port: number;
  process: ChildProcess | undefined;
  link = '';

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
  async start(): Promise<void> {
    const child = this.spawn('--port', String(this.port), '--data', this.data);
    this.process = child;
    this.link = await new Promise<string>((resolve, reject) => {
      let out = '';
      let err = '';
      child.stdout!.on('data', (chunk: Buffer) => {
        out += chunk.toString();
        const link = /http\S+sign-in#\S+/.exec(out)?.[0];
        if (link) resolve(link);
      });
      child.stderr!.on('data', (chunk: Buffer) => (err += chunk.toString()));
      child.on('exit', (code) => reject(new Error(`start ended with ${code}: ${err}`)));
    });
  }

  spawn(...args: string[]): ChildProcess {
    const { DATABASE_URL: _none, ...env } = process.env;
    return spawn(join(ROOT, 'yohaku'), ['start', ...args], { env: { ...env, YOHAKU_TEST_FAST: '1' }, stdio: ['ignore', 'pipe', 'pipe'] });
  }

  /** Runs a start that must refuse: its exit code and what it said. */
  async refusal(...args: string[]): Promise<{ code: number | null; said: string }> {
    const child = this.spawn(...args);
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
    return readFileSync(join(this.data, 'cluster-folder'), 'utf8').trim();
  }

  /** Process id and port of the cluster's own server; undefined when none runs. */
  get postmaster(): { pid: number; port: number } | undefined {
    const file = join(this.clusterFolder, 'postmaster.pid');
    if (!existsSync(file)) return undefined;
    const lines = readFileSync(file, 'utf8').split('\n');
    return { pid: Number(lines[0]), port: Number(lines[3]) };
  }

  /** Stops the database alone and waits until it is gone. */
  async stopDatabase(): Promise<number> {
    const { pid, port } = this.postmaster!;
    process.kill(pid, 'SIGINT');
    while (existsSync(join(this.clusterFolder, 'postmaster.pid'))) await new Promise((resolve) => setTimeout(resolve, 50));
    return port;
  }

  startDatabase(port: number): void {
    const bin = readFileSync(join(this.clusterFolder, 'PG_VERSION'), 'utf8').trim();
    const command = [`/usr/lib/postgresql/${bin}/bin/pg_ctl`, '-D', this.clusterFolder, '-w', '-l', join(this.clusterFolder, 'again.log'), '-o', `-c listen_addresses=127.0.0.1 -p ${port} -c unix_socket_directories='' -c fsync=off`, 'start'];
    const run = process.getuid?.() === 0 ? ['runuser', '-u', 'postgres', '--', ...command] : command;
    const done = spawnSync(run[0]!, run.slice(1), { cwd: '/', stdio: 'ignore' });
    if (done.status !== 0) throw new Error('the database did not start again');
  }

  async dispose(): Promise<void> {
    if (this.process && this.process.exitCode === null && this.process.signalCode === null) await this.end('SIGTERM');
    const folder = this.clusterFolder;
    if (this.postmaster) process.kill(this.postmaster.pid, 'SIGQUIT');
    rmSync(folder, { recursive: true, force: true });
    rmSync(this.data, { recursive: true, force: true });
  }
}
