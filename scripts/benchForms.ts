import { nightFerry } from '@/demo/nightFerry';
import { findBuild, resolveScene, sceneOf } from '@/core/evaluate/context';
import { galleryFor } from '@/core/evaluate/gallery';
import { togetherOf } from '@/core/evaluate/together';
import { nest, type NestPiece } from '@/core/shop/nest';
import { planCuts } from '@/core/shop/cutPlan';
import { planPurchase } from '@/core/shop/purchase';
import { buildFile } from '@/server/files/buildFile';
import type { Production } from '@/core/document/production';

type Note = (what: string, measured: number, unit: string, wanted: number) => void;

/** Median of several runs after a warm-up, milliseconds. */
function median(run: () => unknown, times = 40): number {
  for (let k = 0; k < 15; k++) run();
  const taken = Array.from({ length: times }, () => {
    const start = performance.now();
    run();
    return performance.now() - start;
  });
  return taken.toSorted((a, b) => a - b)[Math.floor(times / 2)]!;
}

/** Resolve, pieces on stock, and the shopping list of one build. */
function wholeBuild(document: Production, id: string): () => unknown {
  const scene = sceneOf(document, findBuild(document, id)!);
  return () => {
    const { resolved } = resolveScene(scene)!;
    const cuts = planCuts(resolved.pieces, scene.build.copies, scene.context.part, { starts: 5 });
    return planPurchase(resolved.needs, scene.build.copies, cuts, scene.shelf);
  };
}

/** Sixty pieces of boxes, banks and boards, sizes spread by a fixed sequence. */
const sixtyPieces = (): NestPiece[] =>
  Array.from({ length: 60 }, (_, k) => ({
    widthM: 0.08 + (((k * 37) % 60) / 60) * 0.6,
    heightM: 0.06 + (((k * 23) % 60) / 60) * 0.4,
    mayTurn: k % 5 !== 0,
  }));

/** The numbers of “every form a maker builds”. */
export async function benchForms(note: Note): Promise<void> {
  const document = nightFerry();
  const slowest = document.builds
    .map(({ id, name }) => ({ name, taken: median(wholeBuild(document, id)) }))
    .reduce((worst, each) => (each.taken > worst.taken ? each : worst));
  note(`resolve + pieces + purchase, slowest demo build (${slowest.name})`, slowest.taken, 'ms', 5);

  const big = structuredClone(document);
  Object.assign(findBuild(big, 'deck-sky')!.parameters, {
    widthM: 6,
    heightM: 3,
    rows: 30,
    rowPitchM: 0.095,
  });
  note('the same, overhead frame 6 × 3 m, 30 rows', median(wholeBuild(big, 'deck-sky')), 'ms', 15);

  const stock = [{ widthM: 2.44, heightM: 1.22, count: Infinity, onHand: false }];
  const pieces = sixtyPieces();
  note(
    'nesting, 60 mixed pieces, 60 starts',
    median(() => nest(pieces, stock, { starts: 60 }), 9),
    'ms',
    150,
  );

  const start = performance.now();
  galleryFor(document, 'clerk');
  note('gallery of 14 forms, in a worker', performance.now() - start, 'ms', 1500);

  const made = performance.now();
  await buildFile(document, 'clerk-ring', 'templates.pdf');
  note('template PDF of a one-metre ring', performance.now() - made, 'ms', 1000);

  let longest = { name: '', taken: 0 };
  for (const { id, name } of document.builds) {
    const begun = performance.now();
    await buildFile(document, id, 'build-pack.pdf');
    const taken = performance.now() - begun;
    if (taken > longest.taken) longest = { name, taken };
  }
  note(
    `build pack with its light, slowest demo build (${longest.name})`,
    longest.taken,
    'ms',
    2000,
  );

  const together = performance.now();
  togetherOf(
    document,
    document.builds.map(({ id }) => id),
  );
  note('all builds bought and cut together, in a worker', performance.now() - together, 'ms', 1500);
}
