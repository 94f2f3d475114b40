import sharp from 'sharp';
import { unpackSiteApart } from './archive/unpack-site-apart.ts';
import { decodeApart } from './assets/decode-apart.ts';
import { drawIconApart } from './assets/icon-apart.ts';
import { readEvidenceApart } from './evidence/read-apart.ts';
import { takeApart } from './fonts/take-apart.ts';

/** The tasks that are done in processes of their own, by name. Each gets what was sent and gives plain values, or throws an error whose name ends in `Refused`. */
const TASKS: Record<string, (sent: never) => Promise<unknown>> = { icon: drawIconApart, picture: decodeApart, evidence: readEvidenceApart, font: takeApart, site: unpackSiteApart };

// One picture at a time, and nothing of it kept: what the library would hold for the next one is what never comes back.
sharp.concurrency(1);
sharp.cache(false);

process.on('message', ({ task, sent }: { task: string; sent: never }) => {
  void TASKS[task]!(sent).then(
    (given) => process.send!({ given }),
    (error: unknown) => process.send!(error instanceof Error && error.name.endsWith('Refused') ? { refused: error.message } : { failed: error instanceof Error ? (error.stack ?? error.message) : String(error) }),
  );
});
// The server that asked is gone: nobody hears the answer.
process.once('disconnect', () => process.exit(0));
