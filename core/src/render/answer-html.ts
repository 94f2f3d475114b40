import { answerPage, missingPage, type FormOnPage } from '../page/index.ts';
import type { Page, Site } from '../site/index.ts';
import { pageHtml } from './page-html.ts';

/** Returns the HTML of the page after a form: the site's header and footer, and the form's answer. */
export const answerHtml = (site: Site, form: FormOnPage): string => madeHtml(site, answerPage(site, form));

/** Returns the HTML of the page that hosts show for an unknown address. */
export const missingHtml = (site: Site): string => madeHtml(site, missingPage(site));

const madeHtml = (site: Site, page: Page): string =>
  pageHtml({ ...site, pages: { ...site.pages, [page.id]: page } }, page.id);
