import { CIRCUIT_RECORD } from '../location/circuit';
import { SITE_RECORD } from '../location/site';
import { bulbsOf, sample } from '../testing/sample';
import { ACCESSORIES } from '../accessories';
import { accessorySchema } from '../accessories/carried';
import type { Build, Production } from '../document/production';
import { FORMS } from '../forms';
import type { Field } from '../forms/form';
import { STAGES } from '../build/step';
import { wireId } from '../build/wiring';
import { type ResolvedBuild } from '../build/resolvedBuild';
import { changed } from '../document/testing';
import { resolveScene, sceneOf } from './context';
import { Derivations } from './derive';
import { TOPICS, type Finding } from '../findings/finding';

const demo = sample();

/** One accessory of every kind, each as it is taken down from the wall, and all of them at once. */
const carried = [
  { name: 'nothing', kinds: [] as string[] },
  ...[...ACCESSORIES.keys()].map((kind) => ({ name: kind, kinds: [kind] })),
  { name: 'all of them', kinds: [...ACCESSORIES.keys()] },
  { name: 'two stands', kinds: ['pipe-stand', 'pipe-stand'] },
];
const accessories = (kinds: readonly string[]) =>
  kinds.map((kind, k) =>
    accessorySchema.parse({
      id: `own-${k}`,
      kind,
      parameters: ACCESSORIES.get(kind)!.defaults(),
    }),
  );

/** Every form twice: as the sample has it, and with nothing chosen at all. */
const designs = [...FORMS.values()].flatMap((form) => {
  const sample = demo.builds.find((build) => build.form === form.id);
  const bare = form.defaults() as Build['parameters'];
  return [
    ...(sample ? [{ name: `${form.id} of the sample`, form, parameters: sample.parameters }] : []),
    { name: `${form.id}, nothing chosen`, form, parameters: bare },
  ];
});

const withDesign = (
  design: (typeof designs)[number],
  kinds: readonly string[],
  change: (draft: Production, build: Build) => void = () => undefined,
): Production =>
  changed(demo, (draft) => {
    const build = draft.builds[0]!;
    Object.assign(build, {
      form: design.form.id,
      parameters: structuredClone(design.parameters),
      accessories: accessories(kinds),
    });
    change(draft, build);
  });

interface Looked {
  resolved: ResolvedBuild;
  findings: Finding[];
  refs: ReadonlySet<string | undefined>;
  fields: ReadonlySet<string>;
}

function look(document: Production): Looked {
  const derive = new Derivations();
  const build = document.builds[0]!;
  const found = derive.resolve(document, build)!;
  const drawing = derive.drawing(document, build)!;
  return {
    resolved: found.resolved,
    findings: derive.findings(document, build, { gridCells: 2 }),
    refs: new Set(drawing.views.flatMap(({ shapes }) => shapes.map(({ ref }) => ref))),
    fields: new Set([
      ...found.form.fields.map(({ parameter }) => parameter),
      ...build.accessories.flatMap(({ id, kind }) =>
        ACCESSORIES.get(kind)!.fields.map(({ parameter }) => `${id}.${parameter}`),
      ),
      ...SITE_RECORD.fields.map(({ field }) => `site.${field}`),
      ...CIRCUIT_RECORD.fields.map(({ field }) => `circuit.${field}`),
    ]),
  };
}

/** Hot lamps, a dimmer that does not fit, a weak breaker, thin cord: what makes engines speak. */
function provoked(document: Production): Production {
  return changed(document, (draft) => {
    draft.circuits[0]!.ratedA = 1;
    for (const bulb of bulbsOf(draft.shelf))
      Object.assign(bulb, { kind: 'halogen', wattsW: 400, dimmable: 'no', supplyV: 120 });
    const build = draft.builds[0]!;
    for (const [field, role] of [
      ['dimmerPartId', 'dimmer'],
      ['layer1PartId', 'diffusion'],
      ['cordPartId', 'cord'],
      ['plugPartId', 'plug'],
    ] as const)
      if (field in build.parameters && build.parameters[field] === null)
        build.parameters[field] = draft.shelf.parts.find((part) => part.role === role)!.id;
  });
}

interface Case {
  design: (typeof designs)[number];
  kinds: readonly string[];
}

/** Nothing points beside the drawing. */
function pointsRight({ findings, refs, fields }: Looked): void {
  for (const { id, where } of findings) {
    if (where.drawing && !refs.has(where.drawing))
      throw new Error(`${id} points at “${where.drawing}”, which is not drawn`);
    if (
      where.field &&
      !/^(shot|bulb|unit|build)\.|^circuit$/.test(where.field) &&
      !fields.has(where.field)
    )
      throw new Error(`${id} points at the field “${where.field}”, which is not there`);
  }
}

/** Every value a field may take that is worth trying: its ends, every choice, every part, none. */
function tries(field: Field): unknown[] {
  switch (field.kind) {
    case 'quantity':
      return [field.min, field.max];
    case 'choice':
      return field.options.map(({ value }) => value);
    case 'part':
      return [
        null,
        ...demo.shelf.parts
          .filter(({ role }) => role === field.role)
          .slice(0, 3)
          .map(({ id }) => id),
      ];
    case 'unit':
      return [
        null,
        ...demo.shelf.units
          .filter(({ category }) => category === field.category)
          .slice(0, 4)
          .map(({ id }) => id),
      ];
    case 'groups':
      return bulbsOf(demo.shelf)
        .slice(0, 4)
        .map(({ id }) => [{ bulbId: id, level: 0.5 }]);
  }
}

describe.each(designs.filter(({ name }) => name.endsWith('sample')))(
  '$name, every field at its ends',
  (design) => {
    test.each(design.form.fields.map((field) => ({ name: field.parameter, field })))(
      '$name',
      ({ field }) => {
        for (const value of tries(field)) {
          const document = withDesign(design, [], (_, build) => {
            build.parameters[field.parameter] = value as never;
          });
          pointsRight(look(document));
          pointsRight(look(provoked(document)));
        }
      },
    );
  },
);

describe.each([...ACCESSORIES.values()])('$id, every field at its ends', (accessory) => {
  const bases = ['bulb-ring of the sample', 'foam-box of the sample', 'work-light of the sample'];
  test.each(bases)('on %s', (name) => {
    const design = designs.find((each) => each.name === name)!;
    for (const field of accessory.fields)
      for (const value of tries(field)) {
        const document = withDesign(design, [accessory.id], (_, build) => {
          build.accessories[0]!.parameters[field.parameter] = value as never;
        });
        pointsRight(look(document));
        pointsRight(look(provoked(document)));
      }
  });
});

/** A changed number, and so a changed size, changes no name. */
function namesStay({ design, kinds }: Case, plain: Looked): void {
  for (const [field, value] of Object.entries(design.parameters)) {
    const spec = design.form.fields.find(({ parameter }) => parameter === field);
    if (spec?.kind !== 'quantity' || spec.dimension === 'count' || !(Number(value) > 0)) continue;
    const nudged = Math.min(spec.max, Math.max(spec.min, Number(value) * 1.001));
    const document = withDesign(design, kinds, (_, build) => {
      build.parameters[field] = nudged;
    });
    const found = resolveScene(sceneOf(document, document.builds[0]!))!.resolved;
    expect(found.pieces.map(({ id }) => id)).toEqual(plain.resolved.pieces.map(({ id }) => id));
    expect(found.steps.map(({ id }) => id)).toEqual(plain.resolved.steps.map(({ id }) => id));
  }
}

/** Steps, pieces, holes, wires and findings each have a name of their own. */
function namesDiffer({ resolved, findings }: Looked): void {
  const { steps, pieces, wiring } = resolved;
  const holes = pieces.flatMap((piece) =>
    piece.kind === 'sheet' ? piece.shapes.filter(({ layer }) => layer === 'drill') : [],
  );
  for (const names of [
    steps.map(({ id }) => id),
    pieces.map(({ id }) => id),
    holes.map(({ id }) => id),
    wiring.loads.map(wireId),
    findings.map(({ id }) => id),
  ]) {
    expect(new Set(names).size).toBe(names.length);
    for (const name of names) expect(name).toMatch(/^[\w.:/-]+$/);
  }
  for (const { topic } of findings) expect(TOPICS[topic].station).toBeTruthy();
}

/** Steps come in the order of their stages, after what they need, with pieces that exist. */
function inOrder({ steps, pieces }: ResolvedBuild): void {
  const order = steps.map(({ stage }) => STAGES.indexOf(stage));
  expect(order).toEqual(order.toSorted((a, b) => a - b));
  const known = new Set(pieces.map(({ id }) => id));
  steps.forEach((step, at) => {
    for (const id of step.pieces) expect(known).toContain(id);
    for (const id of step.needs) {
      const needed = steps.findIndex((each) => each.id === id);
      expect(needed).toBeGreaterThanOrEqual(0);
      expect(needed).toBeLessThan(at);
    }
  });
  // Nothing is cut or drilled after the first wire, nothing wired after the look-over.
  const first = (stage: string) => steps.findIndex((step) => step.stage === stage);
  const last = (stage: string) => steps.findLastIndex((step) => step.stage === stage);
  if (first('wire') >= 0) expect(last('cut')).toBeLessThan(first('wire'));
  if (first('look over') >= 0) expect(last('close')).toBeLessThan(first('look over'));
  // What closes a light goes on before it is felt for heat, and no tool that makes chips comes near wires.
  if (first('warm') >= 0) expect(last('dress')).toBeLessThan(first('warm'));
  const wiring = STAGES.indexOf('wire');
  for (const { stage, tools } of steps)
    if (/drill|\bbit\b|saw|router|snips/.test(tools.join()))
      expect(STAGES.indexOf(stage)).toBeLessThan(wiring);
}

describe.each(designs)('$name', (design) => {
  test.each(carried)('with $name', ({ name, kinds }) => {
    const plain = look(withDesign(design, kinds));
    const hot = look(provoked(withDesign(design, kinds)));
    pointsRight(plain);
    pointsRight(hot);
    namesDiffer(hot);
    inOrder(plain.resolved);
    if (name === 'nothing' || name === 'all of them') namesStay({ design, kinds }, plain);
  });
});
