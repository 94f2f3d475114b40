import { layIn, SECTION_KINDS } from '../sections/index.ts';
import type { Section, Site } from '../site/index.ts';
import type { FormOnPage } from '../page/index.ts';
import { pageHtml } from './page-html.ts';

/** What is said where nothing was written for it. */
const SAID = 'It has arrived. Thank you.';

/** The page that answers a form which was sent: in the look of the site, with its header and footer, and the words that were written for it. */
export function answerHtml(site: Site, { page, section, form, file }: FormOnPage): string {
  const id = 'answer';
  const laid = layIn(site, SECTION_KINDS.opener, id, { title: page.title });
  const blocks = Object.fromEntries(Object.values(laid.blocks).map((block) => [block.id, block.kind === 'text' && block.level === null ? { ...block, content: [{ text: form.answer || SAID }] } : block]));
  const answer: Section = { ...laid, ground: section.ground, blocks };
  return pageHtml({
    ...site, pageOrder: [...site.pageOrder, id],
    pages: { ...site.pages, [id]: { id, title: page.title, description: '', file, unlisted: true, ...(page.language === undefined ? {} : { language: page.language }), sectionOrder: [id], sections: { [id]: { id, own: answer } }, overrides: {} } },
  }, id);
}
