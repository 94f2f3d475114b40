import sharp from 'sharp';
import { auditIsolated } from './audits/audit-isolated.ts';
import { unpackSiteIsolated } from './archive/unpack-site-isolated.ts';
import { decodeIsolated } from './assets/decode-isolated.ts';
import { drawWidthsIsolated } from './assets/widths-isolated.ts';
import { drawIconIsolated } from './assets/icon-isolated.ts';
import { drawSharingIsolated } from './publish/sharing-isolated.ts';
import { readSourceIsolated } from './sources/read-isolated.ts';
import { readSiteIsolated } from './sites/read-site-isolated.ts';
import { takeIsolated } from './fonts/take-isolated.ts';

/**
 * The tasks that are done in processes of their own, by name. Each gets what was sent and gives plain values, or throws
 * an error whose name ends in `Refused`.
 */
const TASKS: Record<string, (sent: never) => Promise<unknown>> = {
  audit: auditIsolated,
  document: readSiteIsolated,
  icon: drawIconIsolated,
  widths: drawWidthsIsolated,
  sharing: drawSharingIsolated,
  picture: decodeIsolated,
  sources: readSourceIsolated,
  font: takeIsolated,
  site: unpackSiteIsolated,
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
