import type { Finding } from '../findings/finding';
import { threeFigures } from '../quantity';
import type { Bulb } from './bulb';
import { effectiveBulb, efficacyLmPerW, KIND_DEFAULTS } from './effective';
import { lumensOfEquivalent } from './equivalence';

const BOUNDS = 'Typical bounds of efficacy by class; from memory';

/** Traps of docs/model/units.md that one bulb's label can set. Ids are unique per bulb. */
export function labelFindings(bulb: Bulb): Finding[] {
  return [
    impossibleEfficacy(bulb),
    brokenEquivalence(bulb),
    missingLumens(bulb),
    missingCri(bulb),
    missingCct(bulb),
    warmUp(bulb),
  ].filter((finding) => finding !== null);
}

const at = (bulb: Bulb, trap: string, field: string) => ({
  id: `label.${trap}.${bulb.id}`,
  topic: 'label' as const,
  where: { field: `bulb.${field}` },
});

function impossibleEfficacy(bulb: Bulb): Finding | null {
  if (bulb.luminousFluxLm === null) return null;
  const bound = KIND_DEFAULTS[bulb.kind].efficacyBoundLmPerW;
  const efficacy = efficacyLmPerW(effectiveBulb(bulb));
  if (efficacy <= bound) return null;
  return {
    ...at(bulb, 'efficacy', 'luminousFluxLm'),
    severity: 'look',
    title: 'The label promises more light than is possible',
    message: `${bulb.name}: ${bulb.luminousFluxLm} lm from ${bulb.wattsW} W is ${threeFigures(efficacy)} lm/W. You would buy light that is not there. Check for a misread digit, or meter one bulb.`,
    limit: `${bound} lm/W for this class`,
    source: BOUNDS,
  };
}

function brokenEquivalence(bulb: Bulb): Finding | null {
  if (bulb.equivalentW === null || bulb.luminousFluxLm === null) return null;
  const owed = lumensOfEquivalent(bulb.equivalentW);
  if (owed === null || bulb.luminousFluxLm >= owed * 0.95) return null;
  return {
    ...at(bulb, 'equivalence', 'equivalentW'),
    severity: 'look',
    title: `“${bulb.equivalentW} W equivalent” is not kept`,
    message: `${bulb.name} gives ${bulb.luminousFluxLm} lm; a true ${bulb.equivalentW} W bulb gives about ${Math.round(owed)} lm. Count the lumens, not the claim.`,
    limit: `${Math.round(owed)} lm`,
    source: 'ENERGY STAR Lamps, minimum lumens for omnidirectional lamps; from memory',
  };
}

function missingLumens(bulb: Bulb): Finding | null {
  if (bulb.luminousFluxLm !== null) return null;
  const guess = effectiveBulb(bulb).luminousFluxLm.value;
  return {
    ...at(bulb, 'lumens', 'luminousFluxLm'),
    severity: 'unknown',
    title: 'No lumens on the label',
    message: `${bulb.name}: about ${threeFigures(guess)} lm is assumed from its watts and class. Look on the side of the box, or meter one bulb.`,
    source: BOUNDS,
  };
}

function missingCri(bulb: Bulb): Finding | null {
  if (bulb.criRa !== null) return null;
  const guess = effectiveBulb(bulb).criRa.value;
  return {
    ...at(bulb, 'cri', 'criRa'),
    severity: 'unknown',
    title: 'No CRI on the label',
    message: `${bulb.name}: Ra ${guess} is assumed. Skin may look grey or green under it; light a hand beside daylight before buying a boxful.`,
    source: 'Common practice for unlabelled household lamps',
  };
}

function missingCct(bulb: Bulb): Finding | null {
  if (bulb.cctK !== null) return null;
  const guess = effectiveBulb(bulb).cctK.value;
  return {
    ...at(bulb, 'cct', 'cctK'),
    severity: 'unknown',
    title: 'No colour temperature on the label',
    message: `${bulb.name}: ${guess} K is assumed from its class. “Warm white” is mostly 2700–3000 K, “cool white” 4000 K, “daylight” 5000–6500 K.`,
    source: 'Common practice',
  };
}

function warmUp(bulb: Bulb): Finding | null {
  if (bulb.warmUpS < 30 && bulb.kind !== 'cfl') return null;
  return {
    ...at(bulb, 'warm-up', 'warmUpS'),
    severity: 'look',
    title: 'Needs warming up',
    message: `${bulb.name}: switch it on ${Math.max(60, bulb.warmUpS)} s before you meter or shoot; it gets brighter and changes colour until then.`,
    limit: '60 to 120 s',
    source: 'Common practice for fluorescent lamps',
  };
}
