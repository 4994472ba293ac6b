import { sample } from '../../testing/sample';
import { sceneOf } from '../../evaluate/context';
import { HARDWARE_IDS } from '../../materials/hardware';
import type { PartId } from '../../ids';
import { layerOf, layerParts, partOf, unitOf } from './lookup';
import { notChosen, stopsFor, typicalLayers } from './findingWriters';
import {
  apparentVa,
  cordMassKg,
  fromPart,
  hardware,
  mainsNeeds,
  mainsOpen,
  wiringSlots,
} from './needs';
import { bulbLamps, bulbLoads, bulbMassKg, bulbNeeds, pointsAlong, unitLamps } from './lamps';
import {
  choice,
  count,
  defineParameters,
  degrees,
  finish,
  length,
  part,
  share,
  unit,
} from './parameters';

const document = sample();
const { context } = sceneOf(document, document.builds[0]!);
const id = (name: string) => name as PartId;

describe('parameters, said once', () => {
  const made = defineParameters({
    widthM: length('Width', 'Board', { start: 0.5, min: 0.1, max: 2 }),
    rows: count('Rows', 'Board', { start: 3, min: 1, max: 9 }),
    level: share('Level', 'Lamp', { start: 1, min: 0, max: 1 }),
    tilt: degrees('Tilt', 'Lamp', { start: 0, min: 0, max: 1 }),
    kind: choice('Kind', 'Lamp', [
      ['a', 'first'],
      ['b', 'second'],
    ]),
    turns: choice(
      'Turns',
      'Lamp',
      [
        [1, 'one'],
        [2, 'two'],
      ],
      { start: 2 },
    ),
    inside: finish('Inside', 'Lamp', 'foil'),
    boardPartId: part('Sheet', 'Board', 'sheet'),
    stripId: unit('Tape', 'Lamp', 'strip'),
  });
  test('defaults are what was said, fresh every time', () => {
    expect(made.defaults()).toEqual({
      widthM: 0.5,
      rows: 3,
      level: 1,
      tilt: 0,
      kind: 'a',
      turns: 2,
      inside: 'foil',
      boardPartId: null,
      stripId: null,
    });
    expect(made.defaults()).not.toBe(made.defaults());
  });
  test('the schema takes them and their ends, nothing past them', () => {
    const takes = (change: object) =>
      made.schema.safeParse({ ...made.defaults(), ...change }).success;
    for (const good of [
      {},
      { widthM: 0.1 },
      { widthM: 2 },
      { rows: 9 },
      { kind: 'b' },
      { turns: 1 },
      { boardPartId: 'mdf-6' },
    ])
      expect([good, takes(good)]).toEqual([good, true]);
    for (const wrong of [
      { widthM: 0.09 },
      { widthM: 2.01 },
      { widthM: NaN },
      { widthM: '1' },
      { rows: 2.5 },
      { rows: 10 },
      { kind: 'c' },
      { turns: 3 },
      { inside: 'velvet' },
      { boardPartId: 'with space' },
    ])
      expect([wrong, takes(wrong)]).toEqual([wrong, false]);
  });
  test('fields carry the same ends, in the order said', () => {
    expect(made.fields.map(({ parameter }) => parameter)).toEqual(Object.keys(made.defaults()));
    expect(made.fields[0]).toMatchObject({
      kind: 'quantity',
      dimension: 'length',
      min: 0.1,
      max: 2,
      assumedUnit: 'cm',
    });
    expect(made.fields[1]).toMatchObject({ dimension: 'count', step: 1 });
    expect(made.fields[4]).toMatchObject({
      kind: 'choice',
      options: [
        { value: 'a', label: 'first' },
        { value: 'b', label: 'second' },
      ],
    });
    expect(made.fields[7]).toMatchObject({ kind: 'part', role: 'sheet', optional: false });
    expect(made.fields[8]).toMatchObject({ kind: 'unit', category: 'strip' });
  });
});

describe('choices', () => {
  test('a part of another role is none', () => {
    expect(partOf(context, id('mdf-6'), 'sheet')?.name).toContain('MDF');
    expect(partOf(context, id('mdf-6'), 'cord')).toBeNull();
    expect(partOf(context, null, 'sheet')).toBeNull();
    expect(partOf(context, id('gone'), 'sheet')).toBeNull();
    expect(unitOf(context, 'panel-20' as never, 'strip')).toBeNull();
  });
  test('what is not chosen is an open question, once each', () => {
    const found = notChosen('f', [
      ['lamp', null, 'lampId', 'seat-0', 'Choose one.'],
      ['back sheet', 'x', 'back', 'board', 'Choose.'],
    ]);
    expect(found.map(({ id: name, severity }) => `${name} ${severity}`)).toEqual([
      'f.no-lamp unknown',
    ]);
  });
  test('problems become stops that point at their field', () => {
    expect(
      stopsFor('f', [{ code: 'wide', path: 'widthM', message: 'Too wide.' }], 'board'),
    ).toEqual([
      expect.objectContaining({
        id: 'f.wide',
        severity: 'stop',
        where: { field: 'widthM', drawing: 'board' },
      }),
    ]);
  });
  test('layers from the lamps outwards; gaps are skipped', () => {
    const ids = { layer1PartId: null, layer2PartId: id('silk'), layer3PartId: id('parchment') };
    expect(layerParts(ids, context).map((each) => layerOf(each).transmittance)).toEqual([
      0.7, 0.62,
    ]);
    expect(typicalLayers('f', layerParts(ids, context))[0]!.message).toContain('Two-minute test');
    const metered = layerParts(ids, context).map((each) => ({
      ...each,
      origins: { transmittance: 'metered' as const },
    }));
    expect(typicalLayers('f', metered)).toEqual([]);
  });
});

describe('needs', () => {
  const mains = {
    cordPartId: id('cord-075'),
    plugPartId: id('plug-16'),
    dimmerPartId: null,
    tailLengthM: 3,
  };
  test('nothing of nothing', () => {
    expect(fromPart(null, 3, 'piece', '', 's')).toEqual([]);
    expect(fromPart(id('mdf-6'), 0, 'piece', '', 's')).toEqual([]);
    expect(hardware('screw', 0, '', 's')).toEqual([]);
  });
  test('cord with 5 % for joints, plug, the grip of its tail, no dimmer', () => {
    const needs = mainsNeeds(mains, 10);
    expect(needs.map(({ quantity }) => quantity)).toEqual([10.5, 1, 1]);
    expect(wiringSlots(mains).dimmer).toEqual({ partId: null, field: 'dimmerPartId' });
    expect(cordMassKg(mains, 10, context)).toBeCloseTo(
      10 * partOf(context, id('cord-075'), 'cord')!.massKgPerM,
      12,
    );
    expect(
      mainsOpen({ ...mains, cordPartId: null }).map(([what, chosen]) => [what, chosen]),
    ).toEqual([
      ['cord', null],
      ['plug', 'plug-16'],
    ]);
  });
  test('every kind of small thing has a name and a measure', () => {
    for (const kind of HARDWARE_IDS) {
      const [need] = hardware(kind, 2, 'test', 'step');
      expect(['piece', 'm']).toContain(need!.measure);
    }
  });
  test('apparent power: 48 W at a power factor of 0.6 is 80 VA', () =>
    expect(apparentVa(48, 0.6)).toBeCloseTo(80, 12));
});

describe('lamps', () => {
  const groups = [
    { bulbId: 'globe-g45-3' as never, level: 1 },
    { bulbId: null, level: 1 },
  ];
  const seats = [0, 1, 0].map((group, x) => ({
    positionM: [x, 0, 0.05] as const,
    axis: [0, 0, 1] as const,
    group,
  }));
  test('a seat without a bulb keeps its place in the dark', () => {
    const { emitters, groups: lit } = bulbLamps(groups, seats, context);
    expect(emitters.map(({ luminousFluxLm }) => luminousFluxLm)).toEqual([250, 0, 250]);
    expect(lit.map(({ count: many, emitters: own }) => [many, own])).toEqual([[2, [0, 2]]]);
  });
  test('loads in wiring order, needs and mass by the seat', () => {
    const loads = bulbLoads(groups, seats, (k) => k + 1, context);
    expect(loads.map(({ cordM }) => cordM)).toEqual([1, 2, 3]);
    expect(loads[1]!.apparentVa).toBe(0);
    expect(loads[0]!.apparentVa).toBeCloseTo(3 / 0.6, 9);
    expect(bulbNeeds(groups, seats, context)).toEqual([expect.objectContaining({ quantity: 2 })]);
    expect(bulbMassKg(groups, seats, context)).toBeCloseTo(0.06, 12);
  });
  test('points along a line stand for equal shares of it', () => {
    const points = pointsAlong([0, 0, 0], [1, 0, 0], 4, [0, 0, 1]);
    expect(points.map(({ positionM }) => positionM[0])).toEqual([0.125, 0.375, 0.625, 0.875]);
  });
  test('no unit, no group, no light', () => {
    const dark = unitLamps(null, null, 2, { level: 1 }, { class: 'lambert' }, [
      { positionM: [0, 0, 0], axis: [0, 0, 1] },
    ]);
    expect(dark).toMatchObject({ groups: [], emitters: [{ luminousFluxLm: 0 }] });
  });
});
