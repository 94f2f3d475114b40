/**
 * Version 2: a place has an id that is unique on its page, and is addressed either
 * there or wherever it is used. What a page set on a place of a shared section
 * names the entry (`entry:block/part`), what the shared record holds names the
 * section (`section:block/part`). Before, both said `block/part`.
 */

type Json = Record<string, unknown>;

const isRecord = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const recordOf = (value: unknown): Json => (isRecord(value) ? value : {});
const ownerOf = (place: string): string => place.slice(0, Math.max(0, place.indexOf('/')));

/** Returns true if the ids of a section are those that a place's id begins with. */
function has(section: unknown, owner: string): boolean {
  return isRecord(section) && (section['id'] === owner || Object.hasOwn(recordOf(section['blocks']), owner));
}

/** The id of a place as a page of version 2 says it. */
function onPage(place: string, page: Json, sections: Json): string {
  const owner = ownerOf(place);
  if (owner === '' || place.includes(':')) return place;
  const entries = Object.values(recordOf(page['sections'])).filter(isRecord);
  if (entries.some((entry) => has(entry['own'], owner))) return place;
  const entry = entries.find(({ shared }) => typeof shared === 'string' && has(sections[shared], owner));
  return entry ? `${String(entry['id'])}:${place}` : place;
}

/** The id of a place as the shared record of version 2 says it. */
function wherever(place: string, sections: Json): string {
  const owner = ownerOf(place);
  if (owner === '' || place.includes(':')) return place;
  const section = Object.entries(sections).find(([, entry]) => has(entry, owner));
  return section ? `${section[0]}:${place}` : place;
}

/** The page whose own a place is, when it stands in nothing that is shared. */
function pageOf(place: string, shared: Json, pages: Json): string | undefined {
  const owner = ownerOf(place);
  if (owner === '' || owner === 'page' || recordOf(shared['header'])['id'] === owner || has(shared['footer'], owner))
    return undefined;
  if (Object.values(recordOf(shared['sections'])).some((entry) => has(entry, owner))) return undefined;
  return Object.entries(pages).find(([, page]) =>
    Object.values(recordOf(recordOf(page)['sections'])).some((entry) => has(recordOf(entry)['own'], owner)),
  )?.[0];
}

const withPlace = (override: unknown, place: (place: string) => string): unknown =>
  isRecord(override) && typeof override['place'] === 'string'
    ? { ...override, place: place(override['place']) }
    : override;

const mapped = (record: Json, change: (value: unknown) => unknown): Json =>
  Object.fromEntries(Object.entries(record).map(([id, entry]) => [id, change(entry)]));

function pageTo2(page: unknown, sections: Json): unknown {
  return isRecord(page) && isRecord(page['overrides'])
    ? {
        ...page,
        overrides: mapped(page['overrides'], (entry) => withPlace(entry, (place) => onPage(place, page, sections))),
      }
    : page;
}

/** A document of version 1 as one of version 2. What is wrong with it stays as it is, for the reader to name. */
export function documentTo2(document: Json): Json {
  const shared = recordOf(document['shared']);
  const sections = recordOf(shared['sections']);
  const pages = mapped(recordOf(document['pages']), (page) => pageTo2(page, sections));
  const kept: Json = {};
  for (const [id, entry] of Object.entries(recordOf(shared['overrides']))) {
    const place = recordOf(entry)['place'];
    const page = typeof place === 'string' ? pageOf(place, shared, pages) : undefined;
    if (page === undefined) {
      kept[id] = withPlace(entry, (name) => wherever(name, sections));
      continue;
    }
    const there = recordOf(recordOf(pages[page])['overrides']);
    const free = Object.hasOwn(there, id) ? `${id}-1` : id;
    pages[page] = { ...recordOf(pages[page]), overrides: { ...there, [free]: { ...recordOf(entry), id: free } } };
  }
  return {
    ...document,
    schemaVersion: 2,
    ...(isRecord(document['pages']) ? { pages } : {}),
    ...(isRecord(shared['overrides']) ? { shared: { ...shared, overrides: kept } } : {}),
  };
}

/** An operation of version 1, as one of version 2 on a document that is of version 2 already. */
export function opTo2(op: Json, document: Json): Json {
  const shared = recordOf(document['shared']);
  const sections = recordOf(shared['sections']);
  const pages = recordOf(document['pages']);
  const at = op['op'] === 'set' ? op['at'] : op['record'];
  if (!Array.isArray(at)) return op;
  const to = (change: (value: unknown) => unknown): Json => ({
    ...op,
    ...(op['value'] === undefined ? {} : { value: change(op['value']) }),
    ...(op['was'] === undefined ? {} : { was: change(op['was']) }),
  });
  // A whole page, with what is set on it.
  if (at[0] === 'pages' && (op['op'] === 'set' ? at.length === 2 : at.length === 1))
    return to((page) => pageTo2(page, sections));
  const record = op['op'] === 'set' ? at.slice(0, -1) : at;
  if (at[0] === 'pages' && at[2] === 'overrides') {
    const page = recordOf(pages[String(at[1])]);
    const place = (name: string) => onPage(name, page, sections);
    if (op['op'] === 'set' && at[4] === 'place')
      return to((value) => (typeof value === 'string' ? place(value) : value));
    return record.length === 3 ? to((entry) => withPlace(entry, place)) : op;
  }
  if (at[0] === 'shared' && at[1] === 'overrides') {
    const id = String(op['op'] === 'set' ? at[2] : op['id']);
    const named = [op['value'], op['was']]
      .map((entry) => recordOf(entry)['place'])
      .find((entry) => typeof entry === 'string');
    // Overrides of one page in the shared record are now in the record of the page.
    const page =
      named !== undefined
        ? pageOf(named as string, shared, pages)
        : Object.hasOwn(recordOf(shared['overrides']), id)
          ? undefined
          : Object.keys(pages).find((name) => Object.hasOwn(recordOf(recordOf(pages[name])['overrides']), id));
    if (page !== undefined)
      return op['op'] === 'set'
        ? { ...op, at: ['pages', page, 'overrides', ...at.slice(2)] }
        : { ...op, record: ['pages', page, 'overrides'] };
    if (op['op'] === 'set' && at[3] === 'place')
      return to((value) => (typeof value === 'string' ? wherever(value, sections) : value));
    return record.length === 2 ? to((entry) => withPlace(entry, (name) => wherever(name, sections))) : op;
  }
  return op;
}
