/**
 * Files a build can be taken away as, in the order they are offered. A new one is one entry here and its
 * writer in `server/files/writers.ts`, which the types insist on.
 */
export const BUILD_FILES = {
  'build-pack.pdf': {
    title: 'Build pack',
    words: 'Drawing, lists, steps, safety page and templates in one PDF, A4.',
    at: 'cut',
  },
  'build-pack-letter.pdf': {
    title: 'Build pack, Letter',
    words: 'The same on Letter paper.',
    at: 'cut',
  },
  'templates.pdf': {
    title: 'Templates, A4',
    words:
      'Pieces at true size over tiled pages, with crop marks and a 100 mm bar to check the print.',
    at: 'cut',
  },
  'templates-letter.pdf': {
    title: 'Templates, Letter',
    words: 'The same on Letter paper.',
    at: 'cut',
  },
  'labels.pdf': {
    title: 'Labels',
    words: 'One for every piece, cord and lead of every copy: 21 on a page.',
    at: 'cut',
  },
  'story-stick.pdf': {
    title: 'Story sticks',
    words: 'Rows of holes and marks as strips of true size, to glue on a lath.',
    at: 'cut',
  },
  'trial-card.pdf': {
    title: 'Trial in card',
    words: 'All flat pieces small on one sheet: cut it out and fold it before you buy board.',
    at: 'cut',
  },
  'pieces.svg': {
    title: 'Pieces as SVG',
    words: 'True size in millimetres; cut, score, drill and mark as layers.',
    at: 'cut',
  },
  'pieces.dxf': {
    title: 'Pieces as DXF',
    words: 'Millimetres, layers cut, score, drill, mark: for a laser or a router.',
    at: 'cut',
  },
  'cut-list.csv': {
    title: 'Cut list',
    words: 'The list at the saw as a table.',
    at: 'cut',
  },
  'shopping.csv': {
    title: 'Shopping list',
    words: 'Needed, on hand, packs, money.',
    at: 'cut',
  },
  'light.ies': { title: 'IES', words: 'LM-63-2002, type C.', at: 'glow' },
  'light.ldt': { title: 'EULUMDAT', words: 'For European programs.', at: 'glow' },
} as const satisfies Record<string, { title: string; words: string; at: 'cut' | 'glow' }>;
export type BuildFileName = keyof typeof BUILD_FILES;
export const BUILD_FILE_NAMES = Object.keys(BUILD_FILES) as [BuildFileName, ...BuildFileName[]];

/** Files offered at a station. */
export const filesAt = (station: 'cut' | 'glow'): BuildFileName[] =>
  BUILD_FILE_NAMES.filter((name) => BUILD_FILES[name].at === station);
