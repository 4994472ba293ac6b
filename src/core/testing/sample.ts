import kept from '../document/fixtures/version-5.json';
import type { Production } from '../document/production';
import { readDocument } from '../document/read';
import { SITE_RECORD, type Site } from '../location/site';
import type { Shelf } from '../shelf/shelf';
import type { Category, UnitOf } from '../units/unit';

/**
 * A whole production for tests: every form, and a shelf to build from. It was kept when documents were of
 * version 5 and never changes, so that the demo is free to.
 */
export function sample(): Production {
  return answered(unanswered());
}

/** The same as it was kept: nobody has said yet how its lights stand and what its circuits have. */
export function unanswered(): Production {
  const read = readDocument(structuredClone(kept));
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return read.value;
}

/** Indoors, tested, on its own cord, with the crew about it. */
export const DRY_SITE: Site = {
  ...SITE_RECORD.starts,
  lead: 'none',
  reach: 'crew',
  attended: 'always',
  over: 'nothing',
};
const DRY_CIRCUIT = { rcd: 'circuit', earthPin: 'tested', place: 'dry' } as const;

/** Every question answered as a careful crew would want it. */
const answered = (document: Production): Production => ({
  ...document,
  circuits: document.circuits.map((circuit) => ({ ...circuit, ...DRY_CIRCUIT })),
  builds: document.builds.map((build) => ({ ...build, site: DRY_SITE })),
  shelf: {
    units: document.shelf.units.map((unit) =>
      'protection' in unit
        ? {
            ...unit,
            protection: 'lamp' in unit && unit.lamp === 'halogen' ? 'I' : 'II',
            ...('fedAt' in unit ? { fedAt: 'one' } : {}),
          }
        : unit,
    ),
    parts: document.shelf.parts.map((part) => {
      if (part.role === 'plug') return { ...part, earthContact: 'yes' };
      if (part.role === 'supply') return { ...part, protection: 'II' };
      return part.role === 'ballast' ? { ...part, protection: 'I' } : part;
    }),
  },
});

/** A unit of a shelf, known to be there. */
export function unitIn<C extends Category>({ units }: Shelf, category: C, id: string): UnitOf<C> {
  const found = units.find((unit) => unit.id === id && unit.category === category);
  if (!found) throw new Error(`no ${category} “${id}”`);
  return found as UnitOf<C>;
}
export const bulbIn = (shelf: Shelf, id: string) => unitIn(shelf, 'bulb', id);
export const bulbsOf = ({ units }: Shelf) => units.filter((unit) => unit.category === 'bulb');
