import { element } from './element.ts';
import { kindOfBlock } from './kind.ts';
import { nameOf, refTo } from './meaning.ts';

/** A download: what it is called, and beside it of what kind and how large it is. */
export const download = kindOfBlock(
  'download',
  {
    download: refTo('download', 'Download', true),
    label: nameOf('label'),
    style: refTo('style', 'Style', true),
    factsStyle: refTo('style', 'Style of file type and size', true),
  },
  {
    label: 'Download',
    column: 'words',
    tree: (kit) =>
      element('p', { className: 'download' }, kit.download(['download'], ['label'], ['style'], ['factsStyle'])),
    css: '.download { display: flex; flex-wrap: wrap; align-items: baseline; gap: 0 12px; padding-block: 4px; }\n',
    samples: ({ download, styles }) =>
      download === undefined
        ? []
        : [{ name: 'download', download, label: 'File to download', style: styles.running, factsStyle: styles.fine }],
  },
);
