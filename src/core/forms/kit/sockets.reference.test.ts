import type { Circuit } from '../../location/circuit';
import { unit } from '../../testing/makers';
import type { FormContext } from '../form';
import { holderFindings } from './sockets';

const holder = (over: object = {}) => ({
  name: 'a holder',
  base: 'E27' as const,
  ratedW: 60,
  ratedV: 250,
  ...over,
});
const found = (screwed: object, into: ReturnType<typeof holder>, voltageV = 230) =>
  holderFindings('f', [{ bulbId: 'a-bulb' as never, level: 1 }], into, { field: 'socketPartId' }, {
    unit: () => unit('bulb', { wattsW: 60, ...screwed }),
    circuit: { voltageV } as Circuit,
  } as unknown as FormContext).map(({ id, severity }) => `${id} ${severity}`);

// What is printed on lamp and holder: cap (IEC 60061), watts, volts.
test('a pair that fits: nothing to say, up to the very watt', () => {
  expect(found({}, holder())).toEqual([]);
  expect(found({ wattsW: 60.1 }, holder())).toEqual(['f.socket-watts.0 stop']);
});
test('another cap is refused before anything else is said', () => {
  expect(found({ base: 'B22', wattsW: 500 }, holder())).toEqual(['f.base.0 stop']);
});
test('volts: one class of nominal voltages is one (IEC 60038), another is a stop', () => {
  expect(found({}, holder({ ratedV: 220 }), 240)).toEqual([]);
  expect(found({}, holder({ ratedV: 125 }))).toEqual(['f.socket-volts.0 stop']);
  expect(found({}, holder({ ratedV: 125 }), 120)).toEqual([]);
  expect(found({}, holder({ ratedV: 12 }), 100)).toEqual(['f.socket-volts.0 stop']);
});
test('a lamp of 12 V hangs on its supply: a holder for 24 V bears it, one for 6 V would not', () => {
  expect(found({ supplyV: 12 }, holder({ ratedV: 24 }))).toEqual([]);
  expect(found({ supplyV: 24 }, holder({ ratedV: 12 }))).toEqual(['f.socket-volts.0 stop']);
});
test('a bought lamp that gives no volts is judged by cap and watts', () => {
  expect(holderFindings('f', [], { ...holder(), ratedV: null }, {}, {} as FormContext)).toEqual([]);
  expect(found({ wattsW: 75 }, holder({ ratedV: null } as never))).toEqual([
    'f.socket-watts.0 stop',
  ]);
});
