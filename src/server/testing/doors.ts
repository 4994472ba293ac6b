import { applyCommands, commandSchema } from '@/core/document/edit';
import { readDocument, readDocumentText, validateProduction } from '@/core/document/read';
import { readFixtureFile } from '@/core/evaluate/fixtureFile';
import { readSpectrum } from '@/core/formats/spectrumFile';
import { readUnitSpread } from '@/core/formats/unitSpread';
import { nestedTooDeep } from '@/core/jsonDepth';
import { pastedReadings } from '@/core/meter/pasted';
import { readLines } from '@/core/reading/readTable';
import { decodeText } from '@/core/reading/decode';
import { nightFerry } from '@/demo/nightFerry';
import { tableIn } from '@/stations/shelf/tableIn';
import { readPictureFile } from '@/workers/pictureFile';
import { png } from '@/workers/testing';
import { ownShelfSchema } from '../productions/ownShelf';
import { saveSchema } from '../productions/saveRequest';
import { createSchema, sinceSchema } from '../productions/service';
import { codesOf } from '../share/codes';
import { oddity } from '../front/refusal';

/** One way in: good samples of what comes through it, and what takes them. */
export interface Door {
  name: string;
  samples: readonly string[];
  /** must come back, whatever it is given; what it says is its own affair */
  take: (input: string) => unknown;
}

const bytes = (text: string): Uint8Array<ArrayBuffer> =>
  Uint8Array.from(text, (sign) => sign.charCodeAt(0) & 0xff);
const asText = (data: Uint8Array) => Array.from(data, (b) => String.fromCharCode(b)).join('');

/** JSON as the server takes it: bounded in depth, then read. */
const json = (text: string): unknown => {
  if (nestedTooDeep(text)) return undefined;
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
};

const IES = [
  'IESNA:LM-63-2002',
  '[TEST] none',
  '[MANUFAC] Night Ferry',
  '[LUMCAT] A-1',
  'TILT=NONE',
  '1 1000 1 5 1 1 2 -0.2 0 0',
  '1 1 12',
  '0 22.5 45 67.5 90',
  '0',
  '1000 900 600 200 0',
].join('\r\n');

const SPECTRUM = Array.from(
  { length: 81 },
  (_, n) => `${380 + n * 5},${(Math.sin(n / 9) + 1.2).toFixed(4)}`,
).join('\n');
const TM27 = `<?xml version="1.0"?><IESTM2714><SpectralDistribution>${Array.from(
  { length: 41 },
  (_, n) => `<SpectralData wavelength="${380 + n * 10}">${1 + (n % 7)}</SpectralData>`,
).join('')}</SpectralDistribution></IESTM2714>`;

const LABELS = [
  '12x LED globe E27 9.5 W 806 lm 2700 K CRI ≥ 90 € 3,49 each',
  'LED strip 5 m, 24 V, 14.4 W/m, 1400 lm/m, 4000 K, Ra>95, IP20, 39.90 €',
  'Brand;Watt;Lumen;Kelvin;Preis\nWerkstatt;36;4000;4000;24,95 €',
];

const ferry = nightFerry();
const FERRY = JSON.stringify(ferry);
const SAVE = JSON.stringify({
  client: 'window',
  baseRevision: 1,
  edits: [
    {
      id: 'edit',
      label: 'ring width',
      commands: [
        {
          do: 'set',
          kind: 'build',
          id: 'clerk-ring',
          path: ['parameters', 'ringWidthM'],
          value: 0.2,
        },
        { do: 'add', kind: 'part', id: 'p', record: { id: 'p', name: 'x' }, after: null },
        { do: 'remove', kind: 'shot', id: 'clerk' },
        { do: 'move', kind: 'unit', id: 'market-9', after: null },
        { do: 'unset', kind: 'making', id: 'x', path: ['ticks', 'cut'] },
      ],
    },
  ],
});

/** Edits go through schema, document and validation, as a save does; nothing of the document may change under it. */
function save(text: string): void {
  const read = saveSchema.safeParse(json(text));
  if (!read.success) return;
  for (const { commands } of read.data.edits) {
    const done = applyCommands(ferry, commands);
    if (done.ok) validateProduction(done.value.document);
  }
  if (JSON.stringify(ferry) !== FERRY) throw new Error('The document changed under an edit.');
}

export const DOORS: readonly Door[] = [
  { name: 'a document', samples: [FERRY], take: (text) => void readDocumentText(text) },
  {
    name: 'a document of another version',
    samples: [JSON.stringify({ ...ferry, version: 5 }), JSON.stringify({ ...ferry, version: 9 })],
    take: (text) => void readDocument(json(text)),
  },
  { name: 'edits', samples: [SAVE], take: save },
  {
    name: 'one command',
    samples: ['{"do":"set","kind":"build","id":"x","path":["note"],"value":"x"}'],
    take: (text) => void commandSchema.safeParse(json(text)),
  },
  {
    name: 'questions of the API',
    samples: [
      '{"name":"x","region":"eu-230-50","currency":"EUR","own":true}',
      '{"client":"x","revision":1,"edits":["a"]}',
      JSON.stringify({ currency: 'EUR', shelf: ferry.shelf }),
    ],
    take: (text) => {
      const given = json(text);
      createSchema.safeParse(given);
      sinceSchema.safeParse(given);
      ownShelfSchema.safeParse(given);
    },
  },
  {
    name: 'a photometric file',
    samples: [IES],
    take: (text) => {
      readUnitSpread(bytes(text), 'lamp.ies');
      readFixtureFile(bytes(text), 'lamp.ies', { frontWidthM: 0.3, frontHeightM: 0.2 });
    },
  },
  {
    name: 'an EULUMDAT file',
    samples: [Array.from({ length: 60 }, (_, n) => `${n % 9}`).join('\r\n')],
    take: (text) => void readUnitSpread(bytes(text), 'lamp.ldt'),
  },
  { name: 'a spectrum', samples: [SPECTRUM, TM27], take: (text) => void readSpectrum(text) },
  {
    name: 'pasted labels',
    samples: LABELS,
    take: (text) => {
      const decoded = decodeText(bytes(text), 'list.csv');
      const words = decoded.ok ? decoded.value : text;
      tableIn(words);
      readLines(words.slice(0, 20_000));
    },
  },
  {
    name: 'pasted readings',
    samples: ['-30, 120 lx\n0, 300\n30;118', 'angle\tlux\n0\t300\n15\t280'],
    take: (text) => void pastedReadings(text.split('\n').map((line) => line.split(/[\t;,]/))),
  },
  {
    name: 'a picture',
    samples: [asText(png(500, 1))],
    take: (text) => readPictureFile(bytes(text), 'x.png'),
  },
  {
    name: 'a code',
    samples: ['ABCD-EFGH', 'abcd efgh'],
    take: (text) => void codesOf().take(text, 'x'),
  },
  {
    name: 'an address',
    samples: ['/p/night-ferry/shot?build=clerk-ring', '/api/media/' + 'a'.repeat(64)],
    take: (text) => void oddity({ method: 'GET', url: text } as never),
  },
];
