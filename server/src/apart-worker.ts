import sharp from 'sharp';
import { auditApart } from './audits/audit-apart.ts';
import { unpackSiteApart } from './archive/unpack-site-apart.ts';
import { decodeApart } from './assets/decode-apart.ts';
import { drawWidthsApart } from './assets/widths-apart.ts';
import { drawIconApart } from './assets/icon-apart.ts';
import { drawSharingApart } from './publish/sharing-apart.ts';
import { readSourceApart } from './sources/read-apart.ts';
import { readSiteApart } from './sites/read-site-apart.ts';
import { takeApart } from './fonts/take-apart.ts';

/**
 * The tasks that are done in processes of their own, by name. Each gets what was sent and gives plain values, or throws
 * an error whose name ends in `Refused`.
 */
const TASKS: Record<string, (sent: never) => Promise<unknown>> = {
  audit: auditApart,
  document: readSiteApart,
  icon: drawIconApart,
  widths: drawWidthsApart,
  sharing: drawSharingApart,
  picture: decodeApart,
  sources: readSourceApart,
  font: takeApart,
  site: unpackSiteApart,
};

// One picture at a time, and nothing of it kept: what the library would hold for the next one is what never comes back.
sharp.concurrency(1);
sharp.cache(false);

process.on('message', ({ task, sent }: { task: string; sent: never }) => {
  void TASKS[task]!(sent).then(
    (given) => process.send!({ given }),
    (error: unknown) => process.send!(answerTo(error)),
  );
});
/**
 * A file that is nested deeper than any program reads is the file's fault; whatever else goes wrong is told as ours.
 */
function answerTo(error: unknown): { refused: string } | { failed: string } {
  if (error instanceof Error && error.name.endsWith('Refused')) return { refused: error.message };
  if (error instanceof RangeError && /call stack/i.test(error.message))
    return { refused: 'It is nested too deeply. Simplify it and drop it again.' };
  return { failed: error instanceof Error ? (error.stack ?? error.message) : String(error) };
}

// The server that asked is gone: nobody hears the answer.
process.once('disconnect', () => process.exit(0));
