import type { Build, Production } from '../document/production';
import type { View } from '../forms/drawing';
import { FORMS } from '../forms';
import type { FormDefinition, Gallery } from '../forms/form';
import { evaluate } from './evaluate';
import { starterParameters } from './starter';

/** One form as it would begin for a shot, with what comes of it. */
export interface GalleryEntry extends Gallery {
  formId: string;
  name: string;
  summary: string;
  /** parts and sizes it starts with */
  parameters: Build['parameters'];
  view: View;
  softnessDeg: number;
  marginStops: number | null;
  fullMinor: number;
  hours: number;
  massKg: number;
  /** the shot's needs it meets as it starts */
  meets: { use: boolean; softness: boolean; light: boolean; budget: boolean };
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
  const build = {
    id: 'starter',
    name: form.name,
    shotId,
    circuitId: document.circuits[0]!.id,
    fixtureId: null,
    form: form.id,
    parameters,
    accessories: [],
    copies: 1,
    signOffs: [],
    note: '',
  } as unknown as Build;
  const found = evaluate({ ...document, builds: [build] }, build.id, { gridCells: 4 });
  if (!found.ok || !found.value.drawing) return null;
  const { rungs, purchase, steps, drawing, massKg } = found.value;
  const value = (id: string) => rungs.find((rung) => rung.id === id)?.value ?? null;
  const softnessDeg = ((value('softness') ?? 0) * 180) / Math.PI;
  const marginStops = value('stops');
  return {
    ...form.gallery,
    formId: form.id,
    name: form.name,
    summary: form.summary,
    parameters,
    view: { ...drawing.views[0]!, dimensions: [], handles: [] },
    softnessDeg,
    marginStops,
    fullMinor: purchase.fullMinor,
    hours: steps.reduce((sum, { minutes }) => sum + minutes, 0) / 60,
    massKg,
    meets: {
      use: form.gallery.goodFor.includes(shot.use),
      softness: softnessDeg >= shot.softnessDeg,
      light: marginStops !== null && marginStops > -0.25,
      budget: shot.budgetMinor === null || purchase.fullMinor <= shot.budgetMinor,
    },
  };
}

/** Every form for a shot, in the registry's order. */
export const galleryFor = (document: Production, shotId: string): GalleryEntry[] =>
  [...FORMS.values()].flatMap((form) => galleryEntry(form, document, shotId) ?? []);
