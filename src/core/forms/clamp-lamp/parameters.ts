import { bulbGroups, defineParameters, layerParameters, length, part } from '../kit/parameters';

export const parameters = defineParameters({
  lampPartId: part('Clamp lamp', 'Lamp', 'clamp-lamp'),
  reflectorM: length('Reflector Ø', 'Lamp', { start: 0.22, min: 0.05, max: 1, step: 0.005 }),
  depthM: length('Reflector depth', 'Lamp', { start: 0.12, min: 0.02, max: 0.6, step: 0.005 }),
  groups: bulbGroups('Bulb', 'Lamp'),
  ...layerParameters('Layer'),
  tabM: length('Tab over the rim', 'Layer', { start: 0.03, min: 0, max: 0.2, step: 0.005 }),
  standoffM: length('Layer before the rim', 'Layer', { start: 0, min: 0, max: 0.5, step: 0.005 }),
  plugPartId: part('Plug', 'Cord', 'plug', false),
  dimmerPartId: part('Dimmer', 'Cord', 'dimmer', false),
});
export type ClampLamp = ReturnType<typeof parameters.defaults>;
