import { existsSync } from 'node:fs';
import { and, eq } from 'drizzle-orm';
import {
  auditCounts,
  auditSite,
  cutDownText,
  findings,
  offeredFixes,
  plural,
  publishedPage,
  readStored,
  type Audit,
  type Finding,
} from '@yohaku/core';
import { schema } from '../db/index.ts';
import { readExport } from './read-export.ts';
import { print, readArgs, siteById, UseError, withDatabase, type Verb } from './host.ts';
import { VERBS } from '../../../tools/verbs.mjs';

export const audit: Verb = {
  async run(args, host) {
    const { values, positionals } = readArgs(args, VERBS.audit.options);
    const [target] = positionals;
    if (!target || positionals.length !== 1)
      throw new UseError('audit takes one site, folder or zip: ./yohaku audit ternhaven');
    const result = await audited(target, values, host);
    const counts = auditCounts(result);
    const list = findings(result).flatMap((finding) => describe(result, finding));
    print(values.json, { ...counts, findings: list }, () =>
      [
        `${plural(counts.places, 'place')}: ${counts.passed} passed, ${counts.failed} failed, ${counts.cannotTell} not yet measured`,
        ...list
          .filter((entry) => entry.width === 1280)
          .slice(0, 40)
          .map(
            (entry) =>
              `${entry.page} ${entry.place} (${entry.state}): ${entry.rule} ${entry.found === null ? '' : cutDownText(entry.found)}, needs ${entry.needed}${entry.fix ? `; fix: ${entry.fix}` : ''}`,
          ),
      ].join('\n'),
    );
    return counts.failed > 0 ? 1 : 0;
  },
};

async function audited(
  target: string,
  values: { data?: string | undefined; at?: string | undefined },
  host: Parameters<Verb['run']>[1],
): Promise<Audit> {
  if (/[./\\]/.test(target) || (existsSync(target) && !/^[a-z][a-z0-9-]*$/.test(target))) {
    if (!existsSync(target)) throw new UseError(`there is no file or folder ${target}.`);
    const { site, table } = await readExport(target);
    return auditSite(site, undefined, table);
  }
  return withDatabase(values.data, host, async (database) => {
    const { site } = await siteById(database, target);
    if (values.at === undefined) return auditSite(site);
    const { versions } = schema;
    const [row] = await database.db
      .select()
      .from(versions)
      .where(and(eq(versions.siteId, target), eq(versions.name, values.at)));
    if (!row) throw new UseError(`${target} has no version “${values.at}”.`);
    return auditSite(readStored(row.document).site);
  });
}

/** Returns a finding for scripts, once for each published file; `fix` describes the smallest fix, or is null. */
function describe({ site }: Audit, finding: Finding) {
  const { rule, width, state, place, found, needed, tokens } = finding;
  return publishedPage(site, place.page)!.files.map((page) => ({
    rule,
    page,
    width,
    state,
    place: place.id,
    found,
    needed,
    tokens,
    fix: fixWords(site, finding),
  }));
}

const fixes = new Map<string, string | null>();
function fixWords(site: Audit['site'], finding: Finding): string | null {
  // All places of one pair have the same fix: work it out once.
  const key = `${finding.rule} ${finding.tokens.join()} ${finding.needed} ${finding.found} ${finding.state}`;
  if (!fixes.has(key)) fixes.set(key, offeredFixes(site, finding)[0]?.label ?? null);
  return fixes.get(key)!;
}
