import { ELECTRIC_NAMES } from '@/core/meter/electric';
import type { Place } from '@/core/meter/session';

const angleText = (planeDeg: number, angleDeg: number): string =>
  `${Math.abs(angleDeg)}°${angleDeg === 0 ? '' : planeDeg === 90 ? (angleDeg > 0 ? ' up' : ' down') : angleDeg > 0 ? ' right' : ' left'}`;

/** Where the meter is held, in words. */
export function placeText(place: Place): string {
  switch (place.kind) {
    case 'room':
      return 'the room, lamp off';
    case 'layer':
      return place.with ? 'with the layer' : 'without the layer';
    case 'point':
      return place.name;
    case 'electric':
      return ELECTRIC_NAMES[place.what].name.toLowerCase();
    case 'air':
      return 'the air of the room';
    case 'warm':
      return place.thing;
    case 'card':
      return 'the card in a frame';
    default:
      return angleText(place.planeDeg, place.angleDeg);
  }
}
