import type { Build, Production } from '../document/production';
import { mapBuild, shelfRecord } from '../document/references';
import { eightDigits, fnv } from '../fnv';
import type { Ref } from '../forms/form';
import type { Derivations } from './derive';

/** JSON with the keys of every object in one order, so that equal things read alike. */
function canonicalJson(node: unknown): string {
  if (Array.isArray(node)) return `[${node.map(canonicalJson).join(',')}]`;
  if (typeof node !== 'object' || node === null) return JSON.stringify(node) ?? 'null';
  const entries = Object.entries(node)
    .filter(([, value]) => value !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1));
  return `{${entries.map(([key, value]) => `${JSON.stringify(key)}:${canonicalJson(value)}`).join(',')}}`;
}

/** A second basis, so that two sums of 32 bits stand for one of 64. */
const OTHER_BASIS = 0x2f0b4c47;

const hash = (text: string): string => eightDigits(fnv(text)) + eightDigits(fnv(text, OTHER_BASIS));

/** A neighbour's current to a tenth of an ampere: finer than any breaker is. */
const roundedA = (amps: number): number => Math.round(amps * 10) / 10;

/**
 * A hash of everything a sign-off is given for: the design with its counts worked out, every record of
 * the shelf in it (money and stock aside), the circuit, and what else loads it. Another bulb behind
 * the same name, a thinner cord or a kettle on the breaker make another state; a note, a price or a
 * change in the order of fields does not.
 */
export function signedState(document: Production, build: Build, derive: Derivations): string {
  const { form, accessories, copies } = build;
  const parameters = (derive.resolve(document, build)?.parameters ??
    build.parameters) as Build['parameters'];
  const records = new Map<string, unknown>();
  const seen = (ref: Ref, id: string) => {
    const record = shelfRecord(document, ref, id);
    records.set(`${ref}:${id}`, record && derive.views.record(`${ref}s`, record));
    return id;
  };
  mapBuild({ form, parameters, accessories }, seen);
  const { region, voltageV, frequencyHz, ratedA, otherLoadW } = derive.circuit(document, build);
  const others = document.builds
    .filter(
      (other) =>
        other.id !== build.id && other.circuitId === build.circuitId && other.standing === 'in use',
    )
    .map((other) => [other.id, roundedA(derive.amps(document, other, voltageV))] as const)
    .filter(([, amps]) => amps > 0)
    .sort(([a], [b]) => (a < b ? -1 : 1));
  return hash(
    canonicalJson({
      form,
      parameters,
      accessories,
      copies,
      records: Object.fromEntries(records),
      circuit: { region, voltageV, frequencyHz, ratedA, otherLoadW },
      others,
    }),
  );
}
