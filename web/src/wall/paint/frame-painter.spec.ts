import { addSection, applyChange, pageEnd, parseColor, removeSection, setSwatchColor, setValue } from '@yohaku/core';
import { literal, small } from '../../testing/small.ts';
import { pageSource } from './frame-source.ts';
import { FramePainter } from './frame-painter.ts';
import { compareDocument, readLayout } from '../read/compare.ts';
import { readInline } from '../words/read-inline.ts';

describe('a frame on the wall', () => {
  let frame: HTMLIFrameElement;
  let painter: FramePainter;
  const site = small([literal('o1', 'p/text', 'color', '#334455')]);
  beforeEach(() => {
    frame = document.createElement('iframe');
    frame.style.cssText = 'width:1280px;height:900px;border:0';
    document.body.append(frame);
    painter = new FramePainter(frame.contentDocument!, pageSource('home'));
    painter.paint(site);
  });
  afterEach(() => frame.remove());
  const color = (id: string) =>
    frame.contentWindow!.getComputedStyle(frame.contentDocument!.querySelector(`[data-place="${id}"]`)!).color;

  it('paints what the model says', () => {
    expect(compareDocument(frame.contentDocument!, site, 'home', 1280)).toEqual([]);
    expect(color('h/text')).toBe('rgb(184, 58, 30)');
    expect(color('p/text')).toBe('rgb(51, 68, 85)');
  });

  it('shows nothing of the page that its document showed before', () => {
    const document = frame.contentDocument!;
    painter.paint(applyChange(site, setSwatchColor(site, 'brand', parseColor('#336699')!)).site);
    expect(document.body.getAttribute('style')).toContain('--color');
    new FramePainter(document, pageSource('home')).paint(site);
    expect(document.body.hasAttribute('style')).toBeFalse();
    expect(compareDocument(document, site, 'home', 1280)).toEqual([]);
    new FramePainter(document, pageSource('home', 's1')).paint(site);
    expect([document.documentElement.dataset['page'], document.querySelectorAll('header').length]).toEqual(['home', 0]);
  });

  it('gives a drawing that follows the brand its new file where it stands', () => {
    const own = ['pages', 'home', 'sections', 's1', 'own'];
    const asset = {
      id: 'boat',
      name: 'boat.svg',
      hash: 'ab'.repeat(32),
      type: 'image/svg+xml',
      width: 9,
      height: 9,
      bound: { '#b83a1e': 'brand' },
    };
    const block = { kind: 'picture', id: 'pic', asset: 'boat', alt: 'A boat', shape: 'wide' };
    const shown = applyChange(site, {
      ops: [
        { op: 'insert', record: ['assets'], order: null, id: 'boat', value: asset, after: null },
        {
          op: 'insert',
          record: [...own, 'blocks'],
          order: [...own, 'columns', 'col1', 'order'],
          id: 'pic',
          value: block,
          after: 'k',
        },
      ],
    }).site;
    painter.paint(shown);
    const image = frame.contentDocument!.querySelector('[data-place="pic/picture"]')!;
    expect(image.getAttribute('src')).toContain('-b83a1eb83a1e.svg');
    const moved = applyChange(shown, setSwatchColor(shown, 'brand', parseColor('#336699')!)).site;
    expect(painter.paint(moved)).toBeFalse();
    expect(frame.contentDocument!.querySelector('[data-place="pic/picture"]')).toBe(image);
    expect(image.getAttribute('src')).toContain('-b83a1e336699.svg');
    expect(compareDocument(frame.contentDocument!, moved, 'home', 1280)).toEqual([]);
  });

  it('finds a value that is painted otherwise, and names it', () => {
    (frame.contentDocument!.querySelector('[data-place="h/text"]') as HTMLElement).style.letterSpacing = '3px';
    expect(compareDocument(frame.contentDocument!, site, 'home', 1280)).toEqual([
      jasmine.objectContaining({ place: 'h/text', property: 'letter-spacing', width: 1280, painted: '3px' }),
    ]);
  });

  it('Trial 1: nothing on the wall is ever on its way from one value to another, in sight or out of it', () => {
    const motion = {
      items: { calm: { id: 'calm', label: 'Calm', path: 'calm', duration: 2000, easing: [0, 0, 1, 1] } },
      order: ['calm'],
      uses: { button: 'calm', link: 'calm', field: 'calm' },
    };
    const moving = applyChange(site, setValue(site, '', ['brand', 'motion'], motion)).site;
    painter.paint(moving);
    const durations = () =>
      [...frame.contentDocument!.querySelectorAll('body, body *')]
        .map((entry) => frame.contentWindow!.getComputedStyle(entry))
        .filter((declaration) => declaration.transitionDuration !== '0s');
    expect(durations()).toEqual([]);
    painter.still(false);
    // Only colours move, on live pages too.
    expect(new Set(durations().map((duration) => duration.transitionProperty))).toEqual(
      new Set(['color, background-color, border-color']),
    );
    painter.still(true);
    // A frame that the browser does not draw never ends a transition: the new value has to be there at once.
    const before = color('header/name');
    painter.paint(applyChange(moving, setSwatchColor(moving, 'ink', parseColor('#2c3a57')!)).site);
    expect(color('header/name')).not.toBe(before);
    expect(
      compareDocument(
        frame.contentDocument!,
        applyChange(moving, setSwatchColor(moving, 'ink', parseColor('#2c3a57')!)).site,
        'home',
        1280,
      ),
    ).toEqual([]);
  });

  it('compares what is at rest: an element in focus is left out until it is let go', () => {
    const link = frame.contentDocument!.querySelector<HTMLElement>('a[data-place]')!;
    link.style.color = 'rgb(1, 2, 3)';
    link.focus();
    expect(link.matches(':focus-visible')).toBeTrue();
    expect(compareDocument(frame.contentDocument!, site, 'home', 1280)).toEqual([]);
    link.blur();
    expect(compareDocument(frame.contentDocument!, site, 'home', 1280)).toEqual([
      jasmine.objectContaining({ property: 'color' }),
    ]);
  });

  it('follows a token by its custom property alone, writing no element again', () => {
    const heading = frame.contentDocument!.querySelector('h1');
    const after = applyChange(site, setSwatchColor(site, 'brand', parseColor('#2255aa')!)).site;
    expect(painter.paint(after)).toBeFalse();
    expect(color('h/text')).toBe('rgb(34, 85, 170)');
    expect(frame.contentDocument!.querySelector('h1')).toBe(heading);
    expect(compareDocument(frame.contentDocument!, after, 'home', 1280)).toEqual([]);
    expect(painter.paint(after)).toBeFalse();
  });

  it('leaves the tokens on the root as they were written, and hands down what points to a changed one as well', () => {
    const changed = setSwatchColor(site, 'brand', parseColor('#2255aa')!);
    painter.paint(applyChange(site, changed).site);
    expect(frame.contentDocument!.documentElement.getAttribute('style')).toBeNull();
    const { site: back } = applyChange(
      applyChange(site, changed).site,
      setSwatchColor(site, 'brand', parseColor('#b83a1e')!),
    );
    painter.paint(back);
    expect(color('h/text')).toBe('rgb(184, 58, 30)');
    expect(compareDocument(frame.contentDocument!, back, 'home', 1280)).toEqual([]);
  });

  it('writes again only the part whose words changed', () => {
    const header = frame.contentDocument!.querySelector('header');
    const after = applyChange(
      site,
      setValue(site, '', ['pages', 'home', 'sections', 's1', 'own', 'blocks', 'h', 'content'], [{ text: 'Changed' }]),
    ).site;
    expect(painter.paint(after)).toBeTrue();
    expect(frame.contentDocument!.querySelector('h1')!.textContent).toBe('Changed');
    expect(frame.contentDocument!.querySelector('header')).toBe(header);
  });

  it('follows sections that are moved or taken away, and values set on places', () => {
    const moved = applyChange(site, {
      ops: [
        {
          op: 'move',
          from: ['pages', 'home', 'sectionOrder'],
          to: ['pages', 'home', 'sectionOrder'],
          id: 's2',
          after: null,
          wasAfter: 's1',
        },
      ],
    }).site;
    const first = frame.contentDocument!.querySelector('[data-part="s1"]');
    const order = () =>
      [...frame.contentDocument!.querySelectorAll('main > [data-part]')].map((entry) =>
        entry.getAttribute('data-part'),
      );
    painter.paint(moved);
    expect(order()).toEqual(['s2', 's1']);
    // One that comes, goes, or changes its place leaves the others the elements they were.
    const more = applyChange(moved, addSection(moved, 'home', 'new', 's2')).site;
    painter.paint(more);
    expect(order()).toEqual(['s2', 'new', 's1']);
    expect(frame.contentDocument!.querySelector('[data-part="s1"]')).toBe(first);
    expect(compareDocument(frame.contentDocument!, more, 'home', 1280)).toEqual([]);
    painter.paint(applyChange(more, removeSection(more, 'home', 's2')).site);
    expect(order()).toEqual(['new', 's1']);
    painter.paint(moved);
    expect(order()).toEqual(['s2', 's1']);
    expect(frame.contentDocument!.querySelector('[data-part="s1"]')).toBe(first);
    // Without its header a page is written anew.
    painter.paint(applyChange(moved, pageEnd(moved, 'home', 'header', null)).site);
    expect(frame.contentDocument!.querySelector('header')).toBeNull();
    painter.paint(moved);
    expect(frame.contentDocument!.querySelectorAll('header').length).toBe(1);
    const free = applyChange(moved, {
      ops: [{ op: 'remove', record: ['pages', 'home', 'overrides'], order: null, id: 'o1', was: null, after: null }],
    }).site;
    painter.paint(free);
    expect(color('p/text')).toBe('rgb(34, 34, 34)');
  });

  it('shows one part alone when asked for one', () => {
    const other = new FramePainter(document.implementation.createHTMLDocument(), pageSource('home', 's1'));
    other.paint(site);
    expect([...other.document.body.children].map((child) => child.getAttribute('data-part'))).toEqual(['s1']);
  });

  it('counts lines from the real layout', () => {
    const { lines, overflow } = readLayout(frame.contentDocument!, site, 'home');
    expect(lines.get('h/text')).toBe(1);
    expect(overflow).toBeFalse();
    const long = applyChange(
      site,
      setValue(
        site,
        '',
        ['pages', 'home', 'sections', 's1', 'own', 'blocks', 'h', 'content'],
        [{ text: 'A heading that goes on and on '.repeat(8) }],
      ),
    ).site;
    painter.paint(long);
    expect(readLayout(frame.contentDocument!, long, 'home').lines.get('h/text')).toBeGreaterThan(2);
  });
});

describe('words edited in place', () => {
  const read = (html: string) => {
    const element = document.createElement('p');
    element.innerHTML = html;
    return readInline(element, [{ text: 'See ' }, { id: 'l1', link: { to: 'page', page: 'more' }, text: 'more' }]);
  };
  it('keep text, emphasis and the links that were there', () => {
    expect(read('See <strong>all</strong> <a data-place="p/l1" href="x">the rest</a>&nbsp;<em>now</em>')).toEqual([
      { text: 'See ' },
      { text: 'all', mark: 'strong' },
      { text: ' ' },
      { id: 'l1', link: { to: 'page', page: 'more' }, text: 'the rest' },
      { text: ' ' },
      { text: 'now', mark: 'em' },
    ]);
  });
  it('turn everything else into its text, and join what belongs together', () => {
    expect(read('a<span style="color:red">b</span><a href="http://evil.example">c</a><script>d</script>')).toEqual([
      { text: 'abcd' },
    ]);
    expect(read('')).toEqual([]);
  });
});
