import type { Build, Production } from '../document/production';
import type { View } from '../drawing/drawing';
import { FORMS } from '../forms';
import { madeFor } from '../location/use';
import type { FormDefinition, Gallery } from '../forms/form';
import { cornerView } from './assembled';
import { Derivations } from './derive';
import { begunBuild, starterParameters } from './starter';

const CARD_CELLS = 4;

/** One form as it would begin for a shot, with what comes of it. */
export interface GalleryEntry extends Gallery {
  formId: string;
  name: string;
  summary: string;
  /** parts and sizes it starts with */
  parameters: Build['parameters'];
  view: View;
  /** put together, seen from the corner */
  assembled: View;
  softnessDeg: number;
  /** ± over the coverage */
  evennessStops: number;
  marginStops: number | null;
  fullMinor: number;
  /** what of the shelf is not there yet, the dearest first */
  toBuy: { kind: 'unit' | 'part'; id: string; name: string; needed: number; priceMinor: number }[];
  /** things in it that nobody has told a price of */
  unpriced: number;
  hours: number;
  massKg: number;
  /** the shot's needs it meets as it starts */
  meets: { use: boolean; softness: boolean; evenness: boolean; light: boolean; budget: boolean };
}

/** A form begun with parts from the shelf and worked out for a shot. */
export function galleryEntry(
  form: FormDefinition,
  document: Production,
  shotId: string,
): GalleryEntry | null {
  const shot = document.shots.find(({ id }) => id === shotId);
  if (!shot) return null;
  const parameters = starterParameters(form, document, shotId);
  const build = begunBuild(form, shotId, document.circuits[0]!.id, parameters);
  const alone = { ...document, builds: [build] };
  // Only what a card shows is asked for.
  const derive = new Derivations();
  const found = derive.resolve(alone, build);
  const light = derive.light(alone, build, { gridCells: CARD_CELLS });
  const purchase = derive.cost(alone, build);
  const drawing = derive.drawing(alone, build);
  const assembled = derive.assembled(alone, build);
  if (!found || !light || !purchase || !drawing || !assembled) return null;
  const { steps, massKg } = found.resolved;
  const marginStops = light.totalLx > 0 ? light.marginStops : null;
  return {
    ...form.gallery,
    formId: form.id,
    name: form.name,
    summary: form.summary,
    parameters,
    view: { ...drawing.views[0]!, dimensions: [], handles: [] },
    assembled: cornerView(assembled.bodies),
    softnessDeg: light.angleDeg,
    evennessStops: light.evenness.plusMinusStops,
    marginStops,
    fullMinor: purchase.fullMinor,
    toBuy: purchase.lines
      .flatMap(({ of, name, needed, packsNow, spentNowMinor }) =>
        of && packsNow > 0 ? [{ ...of, name, needed, priceMinor: spentNowMinor }] : [],
      )
      .toSorted((a, b) => b.priceMinor - a.priceMinor),
    unpriced: purchase.unpriced,
    hours: steps.reduce((sum, { minutes }) => sum + minutes, 0) / 60,
    massKg,
    meets: {
      use: madeFor(form.gallery.goodFor, shot.use),
      softness: light.angleDeg >= shot.softnessDeg,
      evenness: light.evenness.plusMinusStops <= shot.evennessStops,
      light: marginStops !== null && marginStops > -0.25,
      budget: shot.budgetMinor === null || purchase.fullMinor <= shot.budgetMinor,
    },
  };
}

/** Every form for a shot, in the registry's order. */
export const galleryFor = (document: Production, shotId: string): GalleryEntry[] =>
  [...FORMS.values()].flatMap((form) => galleryEntry(form, document, shotId) ?? []);
