import type { Finding } from '../findings/finding';
import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Circuit } from '../location/circuit';
import type { Site } from '../location/site';
import type { Part } from '../materials/part';
import { CORDS } from '../electrics/cord';
import type { PowerPlan } from './plan';

/** Bars stiffer than wood and plastic are metal [typ]. */
const METAL_GPA = 40;

type PartById = (id: ResolvedBuild['pieces'][number]['partId']) => Part | null;

/** Something that is live to the touch when a strand comes loose, and joined to earth against that. */
interface Touchable {
  name: string;
  /** false where its label has not been read */
  certain: boolean;
  /** a supply or ballast, known by its label; cut metal otherwise */
  label: boolean;
}

/** Metal of the light itself, whoever brought it; a stand it leans on is none of its own. */
function cutMetal({ pieces, supports }: ResolvedBuild, partById: PartById): Touchable[] {
  const standing = new Set(
    supports.flatMap((support) => (support.kind === 'stand' ? [support.pipe?.id] : [])),
  );
  const metal = pieces.filter(({ partId }) => {
    const part = partById(partId);
    if (part?.role === 'sheet') return part.burns === 'no';
    return part?.role === 'stick' && part.stiffnessGPa > METAL_GPA && !standing.has(part.id);
  });
  const names = [...new Set(metal.map(({ name }) => name.toLowerCase()))];
  return names.map((name) => ({ name, certain: true, label: false }));
}

/** Bought things with mains in them, by the class on their label; a hot work light is metal whatever it says. */
function classI({ groups, tape, wiring }: ResolvedBuild): Touchable[] {
  const bodies = groups.flatMap(({ unit }) =>
    unit.body ? [{ name: unit.name, protection: unit.body.protection, metal: unit.filament }] : [],
  );
  const gear = [tape?.supply, wiring.ballast].flatMap((each) =>
    each ? [{ name: each.name, protection: each.protection, metal: false }] : [],
  );
  return [...bodies, ...gear]
    .filter(({ protection }) => protection === 'I' || protection === 'unknown')
    .map(({ name, protection, metal }) => ({
      name: `“${name}”`,
      certain: protection === 'I' || metal,
      label: true,
    }));
}

/** What of a light must be joined to earth; behind a supply no mains reaches what is cut. */
export function wantsEarth(resolved: ResolvedBuild, partById: PartById): Touchable[] {
  const cut = resolved.tape ? [] : cutMetal(resolved, partById);
  return [...cut, ...classI(resolved)];
}

const SOURCE = 'IEC 60598 and IEC 61140, class I; from memory';

/**
 * Metal a hand can touch must be earthed where mains runs through the light: judged by what is cut and by
 * the class of what is bought, for every form and accessory alike, along the whole way to the socket.
 */
export function earthFindings(
  plan: PowerPlan,
  resolved: ResolvedBuild,
  parts: readonly Part[],
  site: Site,
): Finding[] {
  if (plan.lamps === 0 || resolved.wiring.loads.length === 0) return [];
  const wanting = wantsEarth(resolved, (id) => parts.find((part) => part.id === id) ?? null);
  const certain = wanting.filter((each) => each.certain);
  if (wanting.length === 0) return [];
  const names = [...new Set(wanting.map(({ name }) => name))].join(', ');
  return [
    ...alongCord(plan, resolved, parts, wanting, names),
    ...alongPlug(plan, resolved, certain.length > 0, names),
    ...alongLead(site, certain.length > 0, names),
    ...atSocket(plan.circuit, certain.length > 0, names),
  ];
}

function alongCord(
  { cord }: PowerPlan,
  { wiring }: ResolvedBuild,
  parts: readonly Part[],
  wanting: readonly Touchable[],
  names: string,
): Finding[] {
  if (!cord || cord.earthed) return [];
  const cut = wanting.some(({ label }) => !label);
  const certain = wanting.some((each) => each.certain);
  const { field } = wiring.cord;
  return [
    {
      id: cut ? 'earth.metal' : 'earth.class',
      topic: 'earth',
      severity: certain ? 'stop' : 'unknown',
      title: certain ? 'Metal without earth' : 'Earth, or doubly insulated?',
      message: certain
        ? `${names}: metal that must be joined to earth, and “${cord.name}” has no earth wire: one loose strand makes all of it live to the touch. Use a three-conductor cord and a plug with earth, or wood.`
        : `${names}: look for the double square on its label. Without it, it wants an earth, and “${cord.name}” has none: enter its class on the shelf, or use a cord with earth.`,
      limit: 'metal parts are earthed',
      source: SOURCE,
      where: { drawing: 'cord', field },
      remedies: field
        ? parts
            .filter(
              (part) =>
                part.role === 'cord' &&
                CORDS[part.cord].earthed &&
                CORDS[part.cord].system === cord.system &&
                CORDS[part.cord].limitA >= cord.limitA,
            )
            .map((part) => ({ label: `Use “${part.name}”`, parameters: { [field]: part.id } }))
        : [],
    },
  ];
}

/** An earth that ends somewhere on its way to the socket, or nobody knows whether it does. */
function broken(
  id: string,
  ends: 'stop' | 'unknown',
  where: Finding['where'],
  words: { title: string; message: string },
): Finding {
  return {
    id,
    topic: 'earth',
    severity: ends,
    ...words,
    limit: 'earth all the way to the socket',
    source: SOURCE,
    where,
  };
}

function alongPlug(
  { plug }: PowerPlan,
  { wiring }: ResolvedBuild,
  certain: boolean,
  names: string,
): Finding[] {
  if (!plug || plug.earthContact === 'yes') return [];
  const where = { drawing: 'plug', field: wiring.plug.field };
  if (plug.earthContact === 'no')
    return [
      broken('earth.plug', certain ? 'stop' : 'unknown', where, {
        title: 'A plug without earth',
        message: `“${plug.name}” has two pins, and ${names} wants an earth: it ends in the air. Use a plug with an earth contact.`,
      }),
    ];
  return [
    broken('earth.plug', 'unknown', where, {
      title: 'Has the plug an earth contact?',
      message: `${names} wants an earth. Look at “${plug.name}” and enter it on the shelf.`,
    }),
  ];
}

function alongLead({ lead, leadCord }: Site, certain: boolean, names: string): Finding[] {
  if (lead === 'none' || lead === 'unknown') return [];
  if (leadCord === 'unknown')
    return [
      broken(
        'earth.lead',
        'unknown',
        { field: 'site.leadCord' },
        {
          title: 'Has the extension lead an earth?',
          message: `${names} wants an earth all the way: read on the lead’s sheath how many wires it has.`,
        },
      ),
    ];
  if (CORDS[leadCord].earthed) return [];
  return [
    broken(
      'earth.lead',
      certain ? 'stop' : 'unknown',
      { field: 'site.leadCord' },
      {
        title: 'An extension lead without earth',
        message: `${names} wants an earth, and the lead has two wires: it ends there. Use a lead with earth.`,
      },
    ),
  ];
}

function atSocket({ earthPin, name }: Circuit, certain: boolean, names: string): Finding[] {
  if (earthPin === 'tested') return [];
  const where = { drawing: 'plug', field: 'circuit.earthPin' };
  if (earthPin === 'none')
    return [
      broken('earth.socket', certain ? 'stop' : 'unknown', where, {
        title: 'A socket without earth',
        message: `${names} wants an earth, and the sockets of “${name}” have none: a loose strand makes it live and nothing trips. Use another circuit, or doubly insulated lights.`,
      }),
    ];
  return [
    broken('earth.socket', 'unknown', where, {
      title: 'Is the socket’s earth there?',
      message: `${names} wants an earth. A socket tester shows in a second whether “${name}” has one; do not guess.`,
    }),
  ];
}
