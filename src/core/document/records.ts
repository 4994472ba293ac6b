import type { CircuitId } from '../ids';
import type { Ref } from '../forms/form';
import {
  changeRecord,
  findRecord,
  removeRecord,
  together,
  type Change,
  type ListKind,
} from './edit';
import type { Build, Production } from './production';
import { mapBuild } from './references';

/** Taking records out together with what refers to them, and the like. */

const SHELF: readonly string[] = ['unit', 'part'] satisfies Ref[];

/** Takes a unit or part off the shelf; builds that named it are left with an empty place, photographs of its label and what was metered of it stay. */
export const removeFromShelf =
  (kind: Ref, id: string): Change =>
  (document) =>
    together(
      ...document.builds.map((build) =>
        changeRecord({ kind: 'build', id: build.id }, (draft) => {
          const next = mapBuild(build, (ref, named) =>
            ref === kind && named === id ? null : named,
          );
          draft.parameters = next.parameters;
          draft.accessories = next.accessories;
        }),
      ),
      ...pointing(document, kind === 'unit' ? 'unitId' : 'partId', id),
      removeRecord({ kind, id }),
    )(document);

/** Takes a shot out. Its builds stay, without a shot, or go with it. */
export const removeShot =
  (id: string, builds: 'stay' | 'go'): Change =>
  (document) =>
    together(
      ...document.builds
        .filter(({ shotId }) => shotId === id)
        .map((build) =>
          builds === 'go'
            ? removeBuild(build.id)
            : changeRecord({ kind: 'build', id: build.id }, (draft) => {
                draft.shotId = null;
              }),
        ),
      ...pointing(document, 'shotId', id),
      removeRecord({ kind: 'shot', id }),
    )(document);

/** Takes a build out; photographs and records of its making stay, as nobody's. */
export const removeBuild =
  (id: string): Change =>
  (document) =>
    together(...pointing(document, 'buildId', id), removeRecord({ kind: 'build', id }))(document);

/** Empties one field of every record of the later stations that names what goes; what stands in a setup stays, without it. */
const pointing = (
  document: Production,
  field: 'buildId' | 'shotId' | 'unitId' | 'partId' | 'fixtureId' | 'circuitId',
  id: string,
): Change[] => {
  const lists: [ListKind, readonly { id: string }[]][] = [
    ['picture', document.pictures],
    ['making', document.makings],
    ['session', document.sessions],
    ['setup', document.setups],
  ];
  const names = (record: object) => (record as Record<string, unknown>)[field] === id;
  const emptied = (draft: object) => void Object.assign(draft, { [field]: null });
  return [
    ...lists.flatMap(([kind, list]) =>
      list.filter(names).map((record) => changeRecord({ kind, id: record.id }, emptied)),
    ),
    ...document.setups.flatMap((setup) =>
      setup.things
        .filter(names)
        .map((thing) => changeRecord({ kind: 'thing', of: setup.id, id: thing.id }, emptied)),
    ),
  ];
};

/** Takes any record out together with what names it. */
export const removeWhole = (kind: ListKind, id: string): Change =>
  SHELF.includes(kind)
    ? removeFromShelf(kind as Ref, id)
    : kind === 'build'
      ? removeBuild(id)
      : kind === 'shot'
        ? removeShot(id, 'stay')
        : kind === 'fixture'
          ? removeFixture(id)
          : kind === 'circuit'
            ? (document) =>
                together(
                  ...pointing(document, 'circuitId', id),
                  removeRecord({ kind, id }),
                )(document)
            : removeRecord({ kind, id });

const removeFixture =
  (id: string): Change =>
  (document) =>
    together(
      ...document.builds
        .filter(({ fixtureId }) => fixtureId === id)
        .map((build) =>
          changeRecord({ kind: 'build', id: build.id }, (draft) => {
            draft.fixtureId = null;
          }),
        ),
      ...pointing(document, 'fixtureId', id),
      removeRecord({ kind: 'fixture', id }),
    )(document);

/** Plugs a build into another circuit. */
export const moveToCircuit =
  (buildId: string, circuitId: CircuitId): Change =>
  (document) =>
    findRecord(document, { kind: 'circuit', id: circuitId })
      ? changeRecord({ kind: 'build', id: buildId }, (draft) => {
          draft.circuitId = circuitId;
        })(document)
      : [];

/**
 * Sets parameters of a build; `id.name` is the parameter of the accessory with that id, `site.name` says how
 * the light stands, `circuit.name` what it hangs on.
 */
export const setParameters =
  (buildId: string, parameters: Build['parameters']): Change =>
  (document) => {
    const circuitId = document.builds.find(({ id }) => id === buildId)?.circuitId;
    const named = Object.entries(parameters).map(([name, value]) => {
      const [owner, own] = name.split('.');
      return own === undefined ? { owner: null, own: name, value } : { owner, own, value };
    });
    return together(
      changeRecord({ kind: 'build', id: buildId }, (draft) => {
        for (const { owner, own, value } of named) {
          const accessory = draft.accessories.find(({ id }) => id === owner);
          if (owner === null) draft.parameters[own] = value;
          else if (owner === 'site') Object.assign(draft.site, { [own]: value });
          else if (accessory) accessory.parameters[own] = value;
        }
      }),
      changeRecord({ kind: 'circuit', id: circuitId ?? '' }, (draft) => {
        for (const { owner, own, value } of named)
          if (owner === 'circuit') Object.assign(draft, { [own]: value });
      }),
    )(document);
  };

/** "Ring", "Ring 2", "Ring 3": the first name of its kind that is free. */
export function freeName(wanted: string, taken: readonly { name: string }[]): string {
  const names = new Set(taken.map(({ name }) => name));
  // A number at its end may be its own: “Ra 90” is no ninetieth “Ra”.
  const bare = wanted.replace(/ \d+$/, '');
  const stem = names.has(bare) ? bare : wanted;
  for (let number = 1; ; number++) {
    const name = number === 1 ? wanted : `${stem} ${number}`;
    if (!names.has(name)) return name;
  }
}
