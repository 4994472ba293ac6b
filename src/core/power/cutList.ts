import type { WireCut, WireRole, WiringGraph } from './conductors';

/** Equal pieces of cord or lead, cut together. */
interface CutRow extends Pick<WireCut, 'id' | 'from' | 'to' | 'lengthM' | 'of' | 'ends'> {
  count: number;
  /** live, neutral, earth, with their colours */
  wires: string;
}

const NAMES: Record<WireRole, string> = {
  live: 'live',
  neutral: 'neutral',
  earth: 'earth',
  plus: '+',
  minus: '−',
  lamp: 'to the tube',
};
/** Lengths that differ by less are cut alike. */
const SAME_M = 0.005;

/** Wires to cut, like with like: a link from lamp to lamp is one row, however many there are. */
export function groupedCuts({ cuts, conductors }: WiringGraph): CutRow[] {
  const colourOf = new Map(conductors.map(({ role, insulation }) => [role, insulation]));
  const named = (role: WireRole) => `${NAMES[role]} ${colourOf.get(role) ?? ''}`.trim();
  const rows: CutRow[] = [];
  for (const { id, from, to, lengthM, of, ends, conductors: roles } of cuts) {
    const wires = roles.map(named).join(', ');
    const like = rows.find(
      (row) =>
        row.of === of &&
        row.wires === wires &&
        stem(row.from) === stem(from) &&
        stem(row.to) === stem(to) &&
        Math.abs(row.lengthM - lengthM) < SAME_M,
    );
    if (like) {
      like.count++;
      like.from = stem(like.from);
      like.to = `each ${stem(like.to)}`;
    } else rows.push({ id, from, to, lengthM, of, ends, wires, count: 1 });
  }
  return rows;
}

const stem = (name: string): string => name.replace(/^each /, '').replace(/ \d+/, '');
