import { nightFerry } from '@/demo/nightFerry';
import { findBuild, sceneOf } from '../evaluate/context';
import { FORMS } from './index';
import type { FormDefinition } from './form';
import type { ClothPiece, SheetPiece, StickPiece } from './resolved';

/** A demo build with some parameters changed, resolved, with what tests ask of it. For tests only. */
export function made(buildId: string, over: Record<string, unknown> = {}) {
  const document = nightFerry();
  const build = findBuild(document, buildId)!;
  const { context } = sceneOf(document, build);
  const form = FORMS.get(build.form) as FormDefinition<Record<string, unknown>>;
  const parameters = { ...build.parameters, ...over };
  const resolved = form.resolve(parameters, context);
  return {
    document,
    form,
    parameters,
    context,
    resolved,
    drawing: form.draw(parameters, context),
    fact: (id: string) => resolved.facts.find((each) => each.id === id)?.value,
    ids: resolved.findings.map(({ id }) => id),
    severity: (id: string) => resolved.findings.find((each) => each.id === id)?.severity,
    problems: form.problems(parameters, context).map(({ path, code }) => `${path} ${code}`),
    limits: form.limits(parameters, context),
    sheets: resolved.pieces.filter((piece): piece is SheetPiece => piece.kind === 'sheet'),
    sticks: resolved.pieces.filter((piece): piece is StickPiece => piece.kind === 'stick'),
    cloths: resolved.pieces.filter((piece): piece is ClothPiece => piece.kind === 'cloth'),
    need: (id: string) => resolved.needs.find(({ item }) => item.id === id)?.quantity,
    schemaTakes: (change: Record<string, unknown>) =>
      form.parameters.safeParse({ ...parameters, ...change }).success,
  };
}

export const INCH = 0.0254;
