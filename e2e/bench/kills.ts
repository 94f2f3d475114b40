import { OwnServer } from '../../server/src/testing/own-server.ts';
import { median, type Result } from './result.ts';

const ROUNDS = 200;
const WRITERS = 4;
const soon = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * The processes that are killed in a round: the server, the database, or `start` with both (which resets its count of
 * deaths).
 */
const VICTIMS = ['server', 'database', 'start'] as const;

interface Writer {
  readonly name: string;
  readonly acknowledged: { id: string; sequence: number }[];
  sent: number;
}

/**
 * Two hundred kills amid edits from four windows, on a disk that is written to
 * as users have it. Every edit is sent again with its id until it is answered,
 * as the desk does. Told is what the log has in the end against what was
 * acknowledged, and how soon `start` serves again after it was killed itself.
 */
export async function benchKills(): Promise<Result[]> {
  const own = await OwnServer.create();
  const safe = { YOHAKU_TEST_FAST: '0' };
  const began = performance.now();
  await own.start(safe);
  const firstStart = performance.now() - began;
  const [address, token] = own.link.split('/sign-in#');
  const made = await fetch(`${address}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ token }),
  });
  const cookie = made.headers.get('set-cookie')!.split(';')[0]!;
  const writers: Writer[] = Array.from({ length: WRITERS }, (_, i) => ({
    name: `writer-${i}`,
    acknowledged: [],
    sent: 0,
  }));
  let stopping = false;
  const writing = writers.map((writer) => write(own, cookie, writer, () => stopping));
  const takeOvers: number[] = [];
  let failedStarts = 0;
  for (let round = 0; round < ROUNDS; round++) {
    await soon(40 + ((round * 97) % 400));
    const victim = VICTIMS[round % VICTIMS.length]!;
    try {
      if (victim === 'server') process.kill(own.serverPid, 'SIGKILL');
      else if (victim === 'database') process.kill(own.postmaster?.pid ?? -1, 'SIGKILL');
      else {
        await own.end('SIGKILL');
        const at = performance.now();
        await own.start(safe);
        takeOvers.push(performance.now() - at);
      }
    } catch (error) {
      // The victim had just ended; a start that does not come counts.
      if (victim === 'start') {
        failedStarts++;
        await own.start(safe);
      } else if (
        (error as NodeJS.ErrnoException).code !== 'ESRCH' &&
        (error as NodeJS.ErrnoException).code !== 'ENOENT'
      )
        throw error;
    }
    if (round % 20 === 19)
      process.stderr.write(
        `yohaku: ${round + 1} kills, ${writers.reduce((sum, writer) => sum + writer.acknowledged.length, 0)} edits acknowledged\n`,
      );
  }
  stopping = true;
  await Promise.all(writing);
  const log = await wholeLog(own, cookie);
  await own.dispose();
  const acknowledged = writers.flatMap((writer) => writer.acknowledged);
  const at = new Map(log.map((change) => [change.id, change.sequence]));
  const lost = acknowledged.filter((change) => at.get(change.id) !== change.sequence).length;
  const doubled = log.length - at.size;
  const disordered =
    writers.reduce(
      (sum, { acknowledged: list }) =>
        sum + list.filter((entry, i) => i > 0 && entry.sequence <= list[i - 1]!.sequence).length,
      0,
    ) + log.filter((change, i) => change.sequence !== i + 1).length;
  const none = (name: string, count: number): Result => ({
    name,
    median: count,
    unit: 'edits',
    reference: `acknowledged amid ${ROUNDS} kills`,
    referenceMedian: acknowledged.length,
    ratio: count / Math.max(1, acknowledged.length),
    bound: 'none',
    holds: count === 0 && acknowledged.length > ROUNDS,
  });
  return [
    none('kills, lost', lost),
    none('kills, doubled', doubled),
    none('kills, out of order', disordered),
    {
      name: 'kills, start takes over',
      median: median(takeOvers) / 1000,
      unit: `s (${takeOvers.length} times, ${failedStarts} failed)`,
      reference: 'the first start',
      referenceMedian: firstStart / 1000,
      ratio: median(takeOvers) / firstStart,
      bound: 'each time, no slower than the first',
      holds: failedStarts === 0 && median(takeOvers) <= firstStart,
    },
  ];
}

async function write(own: OwnServer, cookie: string, writer: Writer, isStopping: () => boolean): Promise<void> {
  while (!isStopping()) {
    const id = `${writer.name}-${String(writer.sent++).padStart(6, '0')}`;
    const body = JSON.stringify({
      window: writer.name,
      changes: [
        {
          id,
          schemaVersion: 1,
          label: 'Space',
          ops: [
            {
              op: 'set',
              at: ['brand', 'spaces', 'even', 'values', writer.sent % 2 ? 'phone' : 'desktop'],
              value: 20 + (writer.sent % 80),
            },
          ],
        },
      ],
    });
    for (;;) {
      try {
        const response = await fetch(`${own.address}/api/sites/ternhaven/changes`, {
          method: 'POST',
          headers: { cookie, 'content-type': 'application/json' },
          body,
          signal: AbortSignal.timeout(20_000),
        });
        const answer = (await response.json()) as { results?: { sequence?: number; refused?: string }[] };
        const [result] = answer.results ?? [];
        if (result?.refused) throw new Error(`refused: ${result.refused}`);
        if (result?.sequence !== undefined) {
          writer.acknowledged.push({ id, sequence: result.sequence });
          break;
        }
      } catch (error) {
        if ((error as Error).message.startsWith('refused')) throw error;
      }
      await soon(60);
    }
  }
}

async function wholeLog(own: OwnServer, cookie: string): Promise<{ id: string; sequence: number }[]> {
  const log: { id: string; sequence: number }[] = [];
  for (;;) {
    try {
      const { changes } = (await (
        await fetch(`${own.address}/api/sites/ternhaven/changes?after=${log.length}`, { headers: { cookie } })
      ).json()) as { changes: { id: string; sequence: number }[] };
      if (changes.length === 0) return log;
      log.push(...changes.map(({ id, sequence }) => ({ id, sequence })));
    } catch {
      await soon(200);
    }
  }
}
