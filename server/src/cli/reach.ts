import { placeCount, plural, presentPath, reachRows, tokenTable, tokensFollowing, type Site } from '@yohaku/core';
import { print, readArgs, siteById, UseError, withDatabase, type Verb } from './host.ts';
import { VERBS } from '../../../tools/verbs.mjs';

export const reach: Verb = {
  async run(args, host) {
    const { values, positionals } = readArgs(args, VERBS.reach.options);
    const [id, named] = positionals;
    const token = named === undefined ? undefined : presentPath(named);
    if (!id || positionals.length > 2)
      throw new UseError('reach takes a site and at most one token: ./yohaku reach ternhaven color.core.funnel --json');
    const site = await withDatabase(values.data, host, async (database) => (await siteById(database, id)).site);
    const table = tokenTable(site.brand);
    if (token && !table.has(token))
      throw new UseError(`there is no token “${named}” in ${id}. ./yohaku export ${id} --format css lists them.`);
    const list = (token ? [token] : [...table.keys()]).map((path) => reachOf(site, path));
    print(values.json, list, () =>
      list
        .map(
          (entry) =>
            `${entry.token}: used in ${plural(entry.used, 'place')}${entry.derived.length > 0 ? `; ${entry.derived.join(', ')} follow it` : ''}`,
        )
        .join('\n'),
    );
    return 0;
  },
};

function reachOf(site: Site, path: string) {
  return {
    token: path,
    used: placeCount(site, path),
    derived: tokensFollowing(tokenTable(site.brand), path),
    places: reachRows(site, path).map(({ place, file, width, state, properties }) => ({
      place: place.id,
      page: file,
      width,
      state,
      properties,
    })),
  };
}
