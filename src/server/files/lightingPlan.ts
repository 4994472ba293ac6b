import type { Production } from '@/core/document/production';
import { plannedSet, type SetPlan } from '@/core/evaluate/setup/planned';
import { show, showText, type UnitSystem } from '@/core/quantity';
import { planShape, type FrontOf } from '@/core/set/planShape';
import { axesOf } from '@/core/set/pose';
import { standingWalls } from '@/core/set/roomFaces';
import { poseOf } from '@/core/set/scene';
import type { Setup } from '@/core/set/setup';
import type { LightThing } from '@/core/set/things';
import { MIX_PARTS, MIX_WORDS } from '@/core/units/channels';
import {
  finished,
  newPdf,
  numberPages,
  paperOf,
  PAPERS,
  plain,
  POINTS_PER_M,
  type Pdf,
} from './paper';
import { writeTable } from './pdfTable';

const MARGIN = 40;
const INK = '#1c160e';
const SOFT = '#6a5f50';
const BRASS = '#76540d';
/** Scales a plan is drawn to: one that people carry on their rulers. */
const SCALES = [10, 20, 25, 50, 100, 200, 500] as const;
const AIM_M = 0.7;
/** Share of the page that the plan may take. */
const PLAN_SHARE = 0.62;

/** The lighting plan of a setup: drawn to scale with its cables, every light in a table, circuits, and what to bring. */
export async function lightingPlan(
  document: Production,
  setup: Setup,
  units: UnitSystem,
): Promise<Buffer> {
  const paper = paperOf(units);
  const pdf = newPdf(paper, `${document.name}, ${setup.name}, lighting plan`);
  const plan = plannedSet(document, setup);
  // A room is paced out in metres or feet, not cut to the millimetre.
  const length = (metres: number) => showText(show(metres, 'length', units));
  const shot = document.shots.find(({ id }) => id === setup.shotId);
  pdf.addPage({ margin: MARGIN, size: [...PAPERS[paper]] });
  pdf.font('bold').fontSize(17).fillColor(INK).text(plain(setup.name), MARGIN, MARGIN);
  const { room } = setup;
  pdf
    .font('text')
    .fontSize(10)
    .text(
      plain(
        `${document.name}${shot ? `, shot ${shot.name}` : ''}. ${room.open === 'outdoors' ? 'Outdoors' : 'Room'} ${length(room.widthM)} wide, ${length(room.depthM)} deep, ${length(room.heightM)} high.`,
      ),
    );
  const top = pdf.y + 6;
  pdf.y =
    drawPlan(pdf, setup, plan, { top, high: pdf.page.height * PLAN_SHARE - top }, length) + 10;
  lightTable(pdf, plan, length);
  circuitTable(pdf, plan);
  bringTable(pdf, plan, length);
  numberPages(pdf);
  return finished(pdf);
}

type Length = (metres: number) => string;

/** Of everything that stands and the room, what the plan has to show. */
function extentOf(setup: Setup, front: FrontOf) {
  const { room, camera, things } = setup;
  const points = things.flatMap((thing) => planShape(thing, setup, front).lines.flat());
  const xs = [0, room.widthM, camera.xM, ...points.map(([x]) => x)];
  const ys = [0, room.depthM, camera.yM, ...points.map(([, y]) => y)];
  return {
    left: Math.min(...xs) - 0.2,
    right: Math.max(...xs) + 0.2,
    near: Math.min(...ys) - 0.2,
    far: Math.max(...ys) + 0.2,
  };
}

/** @returns where it ends on the page */
function drawPlan(
  pdf: Pdf,
  setup: Setup,
  plan: SetPlan,
  { top, high }: { top: number; high: number },
  length: Length,
): number {
  const bodies = new Map(plan.lights.map(({ thing, body }) => [thing.id, body]));
  const front: FrontOf = (id) => bodies.get(id) ?? { widthM: 0.3, heightM: 0.3 };
  const { left, right, near, far } = extentOf(setup, front);
  const wide = pdf.page.width - 2 * MARGIN;
  const fits = (scale: number) =>
    ((right - left) * POINTS_PER_M) / scale <= wide &&
    ((far - near) * POINTS_PER_M) / scale <= high - 14;
  const scale = SCALES.find(fits) ?? SCALES.at(-1)!;
  const pt = POINTS_PER_M / scale;
  const x = (metres: number) => MARGIN + (wide - (right - left) * pt) / 2 + (metres - left) * pt;
  const y = (metres: number) => top + (far - metres) * pt;
  const line = (points: readonly (readonly [number, number, ...number[]])[]) =>
    points.forEach(([px, py], k) =>
      k === 0 ? pdf.moveTo(x(px), y(py)) : pdf.lineTo(x(px), y(py)),
    );
  walls(pdf, setup, line);
  for (const thing of setup.things) {
    const light = thing.kind === 'light';
    pdf.lineWidth(light ? 2.2 : 1).strokeColor(light ? BRASS : INK);
    for (const points of planShape(thing, setup, front).lines) {
      line(points);
      pdf.stroke();
    }
    if (light) aim(thing, line, pdf);
  }
  for (const { cable, thing } of plan.lights) {
    if (!cable.socket) continue;
    const { xM, yM } = cable.socket;
    pdf.lineWidth(0.7).strokeColor(SOFT).dash(3, { space: 2 });
    line([
      [thing.xM, thing.yM],
      [thing.xM, yM],
      [xM, yM],
    ]);
    pdf.stroke().undash();
  }
  cameraMark(pdf, setup, [x(setup.camera.xM), y(setup.camera.yM)]);
  labels(pdf, setup, plan, x, y, length);
  const bottom = y(near) + 14;
  scaleBar(pdf, scale, pt, bottom, length);
  return bottom;
}

/** Which way a light goes, as far as it goes level. */
function aim(thing: LightThing, line: (points: [number, number][]) => void, pdf: Pdf): void {
  const { z } = axesOf(poseOf(thing));
  pdf.lineWidth(0.6).strokeColor(BRASS);
  line([
    [thing.xM, thing.yM],
    [thing.xM + AIM_M * z[0], thing.yM + AIM_M * z[1]],
  ]);
  pdf.stroke();
}

function walls(
  pdf: Pdf,
  { room }: Setup,
  line: (points: readonly (readonly [number, number])[]) => void,
): void {
  const [w, d] = [room.widthM, room.depthM];
  const there = standingWalls(room);
  const sides = {
    front: [
      [0, 0],
      [w, 0],
    ],
    back: [
      [0, d],
      [w, d],
    ],
    left: [
      [0, 0],
      [0, d],
    ],
    right: [
      [w, 0],
      [w, d],
    ],
  } as const;
  for (const [wall, points] of Object.entries(sides)) {
    const stands = there.some((each) => each === wall);
    pdf.lineWidth(stands ? 2.5 : 0.4).strokeColor(stands ? INK : SOFT);
    line(points);
    pdf.stroke();
  }
}

function cameraMark(pdf: Pdf, { camera }: Setup, [cx, cy]: readonly [number, number]): void {
  pdf.save();
  pdf.rotate(-camera.panDeg, { origin: [cx, cy] });
  pdf.fillColor(INK);
  pdf.rect(cx - 5, cy - 2, 10, 9).fill();
  pdf.polygon([cx - 3, cy - 2], [cx + 3, cy - 2], [cx + 5, cy - 7], [cx - 5, cy - 7]).fill();
  pdf.restore();
}

/** Numbers and heights at the lights; names at everything else. */
function labels(
  pdf: Pdf,
  setup: Setup,
  plan: SetPlan,
  x: (metres: number) => number,
  y: (metres: number) => number,
  length: Length,
): void {
  const said = (text: string, px: number, py: number, bold = false) => {
    pdf.font(bold ? 'bold' : 'text').fontSize(bold ? 9 : 7);
    const words = plain(text);
    const wide = pdf.widthOfString(words);
    pdf.rect(px - 1, py - 1, wide + 2, bold ? 11 : 9).fill('#ffffff');
    pdf.fillColor(bold ? BRASS : INK).text(words, px, py, { lineBreak: false });
  };
  for (const { number, thing } of plan.lights) {
    said(String(number), x(thing.xM) + 6, y(thing.yM) - 14, true);
    said(`${length(thing.zM)} up`, x(thing.xM) + 16, y(thing.yM) - 12);
  }
  for (const thing of setup.things) {
    if (thing.kind === 'light') continue;
    const { at } = planShape(thing, setup, () => ({ widthM: 0, heightM: 0 }));
    said(thing.name, x(at[0]) + 5, y(at[1]) + 4);
  }
  said(
    `camera, ${length(setup.camera.zM)} up, ${setup.camera.focalMm} mm`,
    x(setup.camera.xM) + 10,
    y(setup.camera.yM) - 2,
  );
}

function scaleBar(pdf: Pdf, scale: number, pt: number, bottom: number, length: Length): void {
  const [left, at] = [MARGIN, bottom - 6];
  pdf
    .lineWidth(1)
    .strokeColor(INK)
    .moveTo(left, at)
    .lineTo(left + pt, at)
    .stroke();
  for (const end of [0, pt])
    pdf
      .moveTo(left + end, at - 3)
      .lineTo(left + end, at + 3)
      .stroke();
  pdf
    .font('text')
    .fontSize(8)
    .fillColor(INK)
    .text(
      plain(`${length(1)}; 1 : ${scale} when printed at 100 %. Dashed: cables, along the walls.`),
      left + pt + 6,
      at - 5,
      {
        lineBreak: false,
      },
    );
}

/** How a light is turned up: level, gel, colours. */
function turnedUp(thing: LightThing): string {
  if (!thing.on) return 'off';
  const parts = MIX_PARTS.filter((part) => MIX_WORDS.of[part] === thing.mix && thing[part] > 0);
  return [
    `${Math.round(thing.level * 100)} %`,
    ...(thing.gelMired === 0
      ? []
      : [`gel ${thing.gelMired > 0 ? '+' : '−'}${Math.abs(thing.gelMired)} mired`]),
    ...parts.map(
      (part) => `${MIX_WORDS.parts[part].toLowerCase()} ${Math.round(thing[part] * 100)} %`,
    ),
  ].join(', ');
}

const turned = (deg: number, more: string, less: string): string =>
  deg === 0 ? '0°' : `${Math.abs(deg)}° ${deg > 0 ? more : less}`;

function lightTable(pdf: Pdf, { lights, circuits }: SetPlan, length: Length): void {
  const circuitOf = (number: number) => circuits.find((each) => each.lights.includes(number))?.name;
  writeTable(
    pdf,
    [
      { title: '', share: 0.04 },
      { title: 'Light', share: 0.19 },
      { title: 'From left / from behind', share: 0.15 },
      { title: 'Up', share: 0.08, right: true },
      { title: 'Turned, tilted', share: 0.14 },
      { title: 'Level', share: 0.16 },
      { title: 'W', share: 0.05, right: true },
      { title: 'Circuit, cable', share: 0.19 },
    ],
    lights.map(({ number, thing, body, cable }) => [
      String(number),
      `${thing.copies > 1 ? `${thing.copies} × ` : ''}${thing.name} (${thing.role})`,
      `${length(thing.xM)} / ${length(thing.yM)}`,
      length(thing.zM),
      `${turned(thing.panDeg, 'left', 'right')}, ${turned(thing.tiltDeg, 'up', 'down')}`,
      turnedUp(thing),
      body ? String(Math.round(thing.copies * body.wattsW)) : '?',
      `${circuitOf(number) ?? (body && body.apparentVa > 0 ? 'none yet' : '')}${cable.socket ? `, ${length(Math.ceil(cable.lengthM!))} to ${cable.socket.name}` : ''}`,
    ]),
  );
}

function circuitTable(pdf: Pdf, { circuits, loose }: SetPlan): void {
  if (circuits.length)
    writeTable(
      pdf,
      [
        { title: 'Circuit', share: 0.4 },
        { title: 'Lights', share: 0.2 },
        { title: 'All up, with what else is on it', share: 0.4, right: true },
      ],
      circuits.map(({ name, lights, amps, limitA }) => [
        name,
        lights.join(', '),
        `${amps.toFixed(1)} of ${limitA.toFixed(0)} A${amps > limitA ? ': more than it may carry for long' : ''}`,
      ]),
    );
  pdf
    .font('text')
    .fontSize(8)
    .fillColor(INK)
    .text(
      plain(
        `${loose.length ? `On no circuit yet: ${loose.join(', ')}. ` : ''}Amperes are those of lights fully up. Cables go down each stand and along the walls, a tenth longer for what lies in the way, with a loop at the stand: estimates, lay one before you count. Weigh down every stand, tape the cables, hang nothing over people without a second line. Local codes and licensed practice come first.`,
      ),
      MARGIN,
      pdf.y + 4,
      { width: pdf.page.width - 2 * MARGIN },
    );
  pdf.moveDown(0.6);
}

function bringTable(pdf: Pdf, { bring }: SetPlan, length: Length): void {
  writeTable(
    pdf,
    [
      { title: 'To bring', share: 0.42 },
      { title: 'Count', share: 0.08, right: true },
      { title: 'Size', share: 0.18 },
      { title: '', share: 0.26 },
      { title: 'there', share: 0.06, right: true },
    ],
    bring.map(({ what, count, sizesM, note }) => [
      what,
      String(count),
      sizesM.map(length).join(' × '),
      note,
      '[  ]',
    ]),
  );
}
