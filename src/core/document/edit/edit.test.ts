import { sample } from '../../testing/sample';
import { removeWhole } from '../records';
import { after } from '../testing';
import {
  applyCommands,
  changeRecord,
  commandSchema,
  diffDocuments,
  moveRecord,
  refOfPath,
  type Command,
} from '.';
import { done } from './testing';

const demo = sample();

describe('commands', () => {
  test('name a record and a field; the inverse brings the same document back', () => {
    const change = changeRecord({ kind: 'build', id: 'warm-ring' }, (draft) => {
      draft.note = 'x';
      draft.parameters.outerDiameterM = 1;
      delete draft.parameters.ringWidthM;
    });
    const commands = change(demo);
    const ref = { kind: 'build', id: 'warm-ring' };
    expect(commands).toHaveLength(3);
    expect(commands).toEqual(
      expect.arrayContaining([
        { do: 'unset', ...ref, path: ['parameters', 'ringWidthM'] },
        { do: 'set', ...ref, path: ['parameters', 'outerDiameterM'], value: 1 },
        { do: 'set', ...ref, path: ['note'], value: 'x' },
      ]),
    );
    const applied = applyCommands(demo, commands);
    if (!applied.ok) throw new Error();
    expect(done(applied.value.document, applied.value.inverse)).toEqual(demo);
  });
  test('what is not named stays the same object', () => {
    const next = after(
      demo,
      changeRecord({ kind: 'build', id: 'warm-ring' }, (draft) => void (draft.note = 'x')),
    );
    expect(next.shelf).toBe(demo.shelf);
    expect(next.shots).toBe(demo.shots);
    expect(next.builds.filter((build, k) => build !== demo.builds[k])).toHaveLength(1);
    const ring = next.builds.find(({ id }) => id === 'warm-ring')!;
    expect(ring.parameters).toBe(demo.builds.find(({ id }) => id === 'warm-ring')!.parameters);
  });
  test('deleting and re-ordering are one command each', () => {
    expect(diffDocuments(demo, after(demo, removeWhole('fixture', 'fresnel-300')))).toContainEqual({
      do: 'remove',
      kind: 'fixture',
      id: 'fresnel-300',
    });
    const last = demo.shots.at(-1)!.id;
    const moved = after(demo, moveRecord({ kind: 'shot', id: last }, null));
    expect(moved.shots[0]!.id).toBe(last);
    expect(diffDocuments(demo, moved)).toEqual([
      { do: 'move', kind: 'shot', id: last, after: null },
    ]);
  });
  test('records inside records are told apart by id too', () => {
    const build = demo.builds.find(({ accessories }) => accessories.length > 1)!;
    const [first, second] = build.accessories;
    const next = after(
      demo,
      changeRecord({ kind: 'accessory', id: second!.id, of: build.id }, (draft) => {
        draft.parameters.extra = 1;
      }),
    );
    const own = next.builds.find(({ id }) => id === build.id)!.accessories;
    expect(own[0]).toBe(first);
    expect(own[1]!.parameters.extra).toBe(1);
  });
  test.each<[string, Command]>([
    ['a record that is gone', { do: 'set', kind: 'build', id: 'gone', path: ['note'], value: '' }],
    ['an id', { do: 'set', kind: 'shot', id: 'clerk', path: ['id'], value: 'x' }],
    ['a list by name', { do: 'set', kind: 'production', id: 'x', path: ['builds'], value: [] }],
    ['the format', { do: 'set', kind: 'production', id: 'x', path: ['format'], value: 'y' }],
    [
      'the length of a list',
      {
        do: 'set',
        kind: 'build',
        id: 'clerk-ring',
        path: ['parameters', 'groups', 'length'],
        value: 4294967295,
      },
    ],
    ['an id twice', { do: 'add', kind: 'shot', id: 'clerk', record: { id: 'clerk' }, after: null }],
    [
      'a record of another id',
      { do: 'add', kind: 'shot', id: 'a', record: { id: 'b' }, after: '' },
    ],
    ['a list of nobody', { do: 'remove', kind: 'accessory', id: 'a', of: 'nobody' }],
  ])('%s cannot be changed', (_name, command) => {
    expect(applyCommands(demo, [command]).ok).toBe(false);
  });
  test.each(['__proto__', 'constructor', 'prototype'])('%s is out of reach', (key) => {
    const command = { do: 'set', kind: 'build', id: 'clerk-ring', path: [key], value: 1 };
    expect(commandSchema.safeParse(command).success).toBe(false);
    const deep = { ...command, path: ['parameters', key, 'polluted'] };
    expect(commandSchema.safeParse(deep).success).toBe(false);
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
  });
  test('text that cannot be stored does not come through the door', () => {
    const set = (value: unknown) =>
      commandSchema.safeParse({ do: 'set', kind: 'shot', id: 'clerk', path: ['note'], value })
        .success;
    expect(set('fine 💡')).toBe(true);
    expect(set('\u0000')).toBe(false);
    expect(set({ deep: ['💡'.slice(1)] })).toBe(false);
  });
  test('a problem’s path leads to the record that has it', () => {
    const pan = demo.builds.findIndex(({ id }) => id === 'clerk-pan');
    const hood = demo.builds[pan]!.accessories[1]!.id;
    expect(refOfPath(demo, `builds.${pan}.accessories.1.parameters.lining`)).toEqual({
      kind: 'accessory',
      id: hood,
      of: 'clerk-pan',
      path: ['parameters', 'lining'],
    });
    expect(refOfPath(demo, 'shelf.units.0.wattsW')).toMatchObject({
      kind: 'unit',
      id: demo.shelf.units[0]!.id,
      path: ['wattsW'],
    });
    expect(refOfPath(demo, 'name')).toMatchObject({ kind: 'production', path: ['name'] });
  });
});
