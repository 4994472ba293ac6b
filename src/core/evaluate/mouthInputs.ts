import { stackLayers, type Mouth } from '../light/mouth';
import { given, leastSure, type WorkingInput } from './readout';

/** What layers and walls of a mouth are worked out with, each as well as it is known. */
export function mouthInputs({ layers, cavity }: Mouth): WorkingInput[] {
  const { transmittance, backReflectance } = stackLayers(layers);
  const through = layers.length
    ? leastSure(layers.map(({ origin = 'typical' }) => origin))
    : 'typical';
  return [
    given('τ', 'transmittance of the layers', transmittance, 'ratio', through),
    given('ρd', 'what they send back', backReflectance, 'ratio', 'typical'),
    ...(cavity
      ? [given('ρ', 'reflectance inside', cavity.reflectance, 'ratio', cavity.origin ?? 'typical')]
      : []),
  ];
}
