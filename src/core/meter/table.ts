import type { MeterReading, Place, Session } from './session';
import { inOrder } from './working';

const unitOf = (place: Place): string =>
  place.kind === 'electric'
    ? place.what.endsWith('V')
      ? 'V'
      : place.what.endsWith('A')
        ? 'A'
        : place.what.endsWith('W')
          ? 'W'
          : ''
    : place.kind === 'warm' || place.kind === 'air'
      ? '°C'
      : 'lx';

/** A place in cells: its kind, its name, and where it lies: degrees round and off the axis, or metres right and up. */
function cellsOf(place: Place): [kind: string, name: string, a: string, b: string] {
  switch (place.kind) {
    case 'angle':
      return ['angle', '', String(place.planeDeg), String(place.angleDeg)];
    case 'point':
      return ['point', place.name, String(place.xM), String(place.yM)];
    case 'layer':
      return [place.with ? 'with' : 'without', '', '', ''];
    case 'electric':
      return ['electric', place.what, '', ''];
    case 'warm':
      return ['warm', place.thing, '', ''];
    case 'card':
      return ['card', place.frame, '', ''];
    default:
      // Where a sweep's angle stands, the room is told too: so it is read again.
      return [place.kind, '', '', place.kind];
  }
}

const HEADINGS: Record<Session['kind'], readonly [string, string]> = {
  sweep: ['plane', 'angle (deg)'],
  points: ['x (m)', 'y (m)'],
  layer: ['', ''],
  frames: ['', ''],
  electric: ['', ''],
  warm: ['', ''],
  spectrum: ['', ''],
};

/** A spreadsheet must not take a name for a formula [common practice: OWASP, CSV injection]. */
const plain = (cell: string): string => (/^[=+@\t\r]|^-(?![\d.])/.test(cell) ? `'${cell}` : cell);

/** Every reading as lines of a spreadsheet, struck ones too, the headings first. */
export function readingsTable(session: Session): string[][] {
  const [a, b] = HEADINGS[session.kind];
  const line = ({ place, value, at, by, struck, simulated }: MeterReading): string[] => {
    const [kind, name, first, second] = cellsOf(place);
    return [
      kind,
      plain(name),
      first,
      second,
      String(Number(value.toPrecision(9))),
      unitOf(place),
      at,
      plain(by),
      plain(struck ?? ''),
      simulated ? 'simulated' : '',
    ];
  };
  return [
    ['place', 'name', a, b, 'reading', 'unit', 'at', 'by', 'struck out', 'simulated'],
    ...inOrder(session).map(([, reading]) => line(reading)),
  ];
}
