import { newSite } from '../../begin/index.ts';
import { smallSite } from '../../testing/small-site.ts';
import { ownWords } from './own-words.ts';

describe('the site’s own words for samples', () => {
  it('are those of its pages, the home page first', () => {
    const { title, sentence, short } = ownWords(smallSite());
    expect([title, sentence]).toEqual(['Hello', 'See what more there is']);
    expect([short.heading, short.button]).toEqual(['Hello', 'Go']);
    // Rather one that is short than one cut short.
    expect([short.text, short.link]).toEqual(['End', 'Home']);
  });
  it('are plain names of what they are where a site says nothing of the kind', () => {
    expect(ownWords(smallSite()).short).toEqual(
      jasmine.objectContaining({ eyebrow: 'Eyebrow', secondary: 'Secondary' }),
    );
  });
  it('are in the letters of the site, and none that there is no room for', () => {
    const { title, short } = ownWords(newSite({ id: 'bindery', name: 'Δέσιμο βιβλίων', language: 'el' }));
    // As many whole words as there is room for.
    expect([title, short.heading]).toEqual(['Δέσιμο βιβλίων', 'Δέσιμο']);
    expect(
      ownWords(newSite({ id: 'long', name: 'Donaudampfschifffahrtsgesellschaft', language: 'de' })).short.heading,
    ).not.toContain('Donau');
  });
  it('follow the styles: what is no heading any more is not one here', () => {
    const site = smallSite();
    const plain = {
      ...site,
      brand: {
        ...site.brand,
        styles: Object.fromEntries(
          Object.entries(site.brand.styles).map(([id, style]) => [
            id,
            { ...style, role: 'text' as const, use: 'running' as const },
          ]),
        ),
      },
    };
    expect([ownWords(site).short.heading, ownWords(plain).short.heading]).toEqual(['Hello', 'Heading']);
  });
  it('are those of now: what the footer says, too', () => {
    const site = smallSite();
    const { footer } = site.shared;
    const now = {
      ...site,
      shared: {
        ...site.shared,
        footer: {
          ...footer,
          blocks: { foot: { ...footer.blocks['foot']!, content: [{ text: 'Fin' }] } as (typeof footer.blocks)[string] },
        },
      },
    };
    expect([ownWords(site).short.text, ownWords(now).short.text]).toEqual(['End', 'Fin']);
  });
});
