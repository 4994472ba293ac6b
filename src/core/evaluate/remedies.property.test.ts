import { ACCESSORIES } from '../accessories';
import type { Build, Production } from '../document/production';
import { setParameters } from '../document/records';
import { after, changed } from '../document/testing';
import type { Finding } from '../findings/finding';
import { bulbsOf, sample } from '../testing/sample';
import { Derivations } from './derive';

const LOOK = { gridCells: 2 } as const;
const findingsOf = (document: Production, id: Build['id']): Finding[] => {
  const derive = new Derivations();
  return derive.findings(
    document,
    document.builds.find((build) => build.id === id)!,
    LOOK,
  );
};
const WEIGHT = { ok: 0, look: 1, unknown: 2, stop: 3 } as const;

/** What makes every engine offer a way out: hot lamps, weak breakers, thin cords, drums, no protection. */
const PROVOKED: [name: string, change: (draft: Production) => void][] = [
  ['as it stands', () => undefined],
  [
    'hot lamps',
    (draft) => {
      for (const bulb of bulbsOf(draft.shelf))
        Object.assign(bulb, { kind: 'halogen', wattsW: 150 });
    },
  ],
  [
    'thin cord, no RCD, a wound drum, left alone',
    (draft) => {
      for (const circuit of draft.circuits) circuit.rcd = 'none';
      for (const part of draft.shelf.parts)
        if (part.id === 'cord-075') Object.assign(part, { cord: 'mm0.5-2' });
      for (const build of draft.builds)
        Object.assign(build.site, { lead: 'drum', leadCord: 'mm1.5-3', attended: 'alone' });
      for (const bulb of bulbsOf(draft.shelf)) Object.assign(bulb, { wattsW: 60 });
    },
  ],
  [
    'fused plugs too big',
    (draft) => {
      for (const circuit of draft.circuits) circuit.region = 'uk-230-50';
      for (const fuseA of [3, 5, 13])
        draft.shelf.parts.push({
          ...draft.shelf.parts.find(({ id }) => id === 'plug-16')!,
          id: `fused-${fuseA}` as never,
          name: `plug, ${fuseA} A`,
          fuseA,
          ratedA: 13,
        } as never);
      for (const build of draft.builds)
        if ('plugPartId' in build.parameters) build.parameters.plugPartId = 'fused-13';
    },
  ],
  [
    'everything of metal',
    (draft) => {
      for (const part of draft.shelf.parts) if (part.role === 'sheet') part.burns = 'no';
    },
  ],
  [
    'wrong dimmers, joined outputs, weak supplies',
    (draft) => {
      for (const build of draft.builds) {
        if ('dimmerPartId' in build.parameters)
          build.parameters.dimmerPartId = 'dimmer-leading-2000';
        if ('outputs' in build.parameters) build.parameters.outputs = 'joined';
      }
    },
  ],
  [
    'carried by weak stands and hung by weak points',
    (draft) => {
      for (const build of draft.builds)
        build.accessories = ['pipe-stand', 'pulley-set', 'hood', 'barn-doors'].map((kind, k) => ({
          id: `c${k}` as never,
          kind,
          parameters: ACCESSORIES.get(kind)!.defaults() as never,
        }));
    },
  ],
];

describe.each(PROVOKED)('ways out: %s', (_, change) => {
  const every = changed(sample(), change);
  test.each(every.builds.map(({ id }) => id))(
    '%s: each clears its finding and opens none',
    (id) => {
      // Alone on its circuit: neighbours would only be worked out again and again.
      const document = changed(every, (draft) => {
        draft.builds = draft.builds.filter((build) => build.id === id);
      });
      const before = findingsOf(document, id);
      const weightBefore = new Map(before.map((finding) => [finding.id, WEIGHT[finding.severity]]));
      const wrong: string[] = [];
      for (const finding of before)
        for (const { label, parameters } of finding.remedies ?? []) {
          const now = findingsOf(after(document, setParameters(id, parameters as never)), id);
          const still = now.find((each) => each.id === finding.id);
          if (
            still &&
            WEIGHT[still.severity] >= WEIGHT[finding.severity] &&
            finding.severity !== 'ok'
          )
            wrong.push(`${finding.id}: “${label}” does not clear it`);
          for (const each of now)
            if (
              WEIGHT[each.severity] > (weightBefore.get(each.id) ?? 0) &&
              WEIGHT[each.severity] >= WEIGHT[finding.severity] &&
              each.severity !== 'look'
            )
              wrong.push(`${finding.id}: “${label}” opens ${each.id} (${each.severity})`);
        }
      expect(wrong).toEqual([]);
    },
  );
});

test('enough ways out were tried for that to mean something', () => {
  const offered = PROVOKED.flatMap(([, change]) => {
    const document = changed(sample(), change);
    return document.builds.flatMap(({ id }) =>
      findingsOf(document, id).flatMap(({ remedies = [] }) => remedies),
    );
  });
  expect(offered.length).toBeGreaterThan(100);
});
