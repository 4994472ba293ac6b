import type { Advice } from '@/core/colour/balance';

/** What may be done about a source, in one or two sentences. */
export function adviceText({ offMired, clash, accept, gel, offStops, dimTo }: Advice): string {
  if (clash === 'unseen') return 'Sits with the balance.';
  const off = `${Math.abs(Math.round(offMired))} mired too ${offMired > 0 ? 'warm' : 'cold'}, ${clash}.`;
  const ways = [
    ...(gel
      ? [
          `gel it ${gel.name} (${Math.abs(Math.round(gel.leftMired))} mired left, ${gel.lostStops.toFixed(1)} stops of it lost)`,
        ]
      : []),
    ...(dimTo === null ? [] : [`dim it to ${Math.round(dimTo * 100)} % of its light`]),
    ...(offStops === null ? [] : [`switch it off (${offStops.toFixed(1)} stops less)`]),
  ];
  if (accept)
    return `${off} Little of it, or near enough: accept it${ways.length ? `, or ${ways[0]}` : ''}.`;
  return `${off} ${ways.length ? `${ways.join(', or ')}.`.replace(/^./, (first) => first.toUpperCase()) : 'Balance the camera to it.'}`;
}
