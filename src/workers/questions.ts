import { modelOf, type Model } from '@/core/assembly/model';
import type { Production } from '@/core/document/production';
import type { View } from '@/core/drawing/drawing';
import { stepView } from '@/core/evaluate/assembled';
import { findBuild, resolveScene, sceneOf } from '@/core/evaluate/context';
import { galleryFor } from '@/core/evaluate/gallery';
import { backdropOf, type BackdropAnswer } from '@/core/evaluate/glow/backdrop';
import { layerLadder } from '@/core/evaluate/glow/layers';
import { variants } from '@/core/evaluate/glow/variants';
import type { GlowId } from '@/core/evaluate/glow';
import type { RungId } from '@/core/evaluate/readout';
import { Derivations } from '@/core/evaluate/derive';
import { checkProduction } from '@/core/evaluate/checkProduction';
import { colourSheet, unitColour } from '@/core/evaluate/colourSheet';
import { SetEngine, type SetAnswer } from '@/core/evaluate/setup/engine';
import { contestant, type Contestant, type ContestRef } from '@/core/evaluate/contest';
import { readFixtureFile } from '@/core/evaluate/fixtureFile';
import type { Judged } from '@/core/evaluate/search/judged';
import { lookOf, type Look } from '@/core/evaluate/search/look';
import { questionOf, type Question } from '@/core/evaluate/search/question';
import { refined } from '@/core/evaluate/search/refine';
import { doTask, type Task } from '@/core/evaluate/search/tasks';
import { fittingRank } from '@/core/evaluate/fitting';
import { mendsOf } from '@/core/evaluate/mends';
import { sensitivities } from '@/core/evaluate/sensitivity';
import { readSpectrum } from '@/core/formats/spectrumFile';
import { readUnitSpread } from '@/core/formats/unitSpread';
import type { Transported } from '@/core/light/transport/result';
import type { Run } from '@/core/light/transport/run';
import { decodeText } from '@/core/reading/decode';
import { refuse } from '@/core/result';
import { ACCESSORIES } from '@/core/accessories';
import { readDocument } from '@/core/document/read';
import { coverOf } from '@/core/evaluate/cover';
import { starterAccessory } from '@/core/evaluate/starterAccessory';
import type { Columns } from '@/core/reading/headings';
import { otherLanguage } from '@/core/reading/language';
import { readLines, readTable, type ReadRow } from '@/core/reading/readTable';
import { togetherOf, type Together } from '@/core/evaluate/together';
import { lightsPerSheet, planCuts, type CutPlan } from '@/core/shop/cutPlan';
import { colourFigures } from '@/core/colour/rendering';
import { calibrateProduction } from '@/core/evaluate/calibration';
import { pointsForecast, sweepForecast } from '@/core/evaluate/litBy';
import { onGrid } from '@/core/formats/spectrumFile';
import type { Session } from '@/core/meter/session';
import { simulatedSpectrum } from '@/core/meter/simulated';
import type { Setup } from '@/core/set/setup';
import type { MeasuredSpectrum } from '@/core/units/spectrum';
import { bandsOfEach, bandsTogether } from '@/core/frames/bandsOfEach';
import { compareFrames } from '@/core/frames/compare';
import { responseCurve } from '@/core/frames/curve';
import { fileExposure, readFrame } from './frameFile';
import { preparePicture } from './pictureFile';
import { simulatedFrames } from './simulatedCamera';
import { readProductionZip, zippedPicture } from './productionZip';

/** Starts of the nesting when there is time for it. */
const THOROUGH_STARTS = 60;

/** Kept from question to question: this worker stays. */
const derivations = new Derivations();

/** The set the page works on, as long as the production’s stock is the same. */
let set: { key: string; engine: SetEngine } | null = null;

/** The engine of a stock; null when this worker has never been told of it. */
function setEngine(key: string, stock: Production | null): SetEngine | null {
  if (stock && set?.key !== key) set = { key, engine: new SetEngine(stock) };
  return set?.key === key ? set.engine : null;
}

/** The question of what to build that this worker has been told. */
let asked: { key: string; question: Question | null } | null = null;

function askedQuestion(key: string, document: Production | null, shotId: string): Question | null {
  if (document && asked?.key !== key) asked = { key, question: questionOf(document, shotId) };
  return asked?.key === key ? asked.question : null;
}

/** What the page may ask of the core; everything here is worked out off the page. */
export const questions = {
  gallery: (document: Production, shotId: string) => galleryFor(document, shotId),
  sensitivities: (document: Production, buildId: string, rung: RungId | GlowId) =>
    sensitivities(document, buildId, rung),
  /** The cutting plan with every order and rule tried, and how many lights one sheet gives. */
  cutPlan: (
    document: Production,
    buildId: string,
  ): { plan: CutPlan; lightsPerSheet: Record<string, number> } | null => {
    const build = findBuild(document, buildId);
    const scene = build && sceneOf(document, build);
    const found = scene && resolveScene(scene);
    if (!build || !scene || !found) return null;
    const { pieces } = found.resolved;
    const plan = planCuts(pieces, build.copies, scene.context.part, { starts: THOROUGH_STARTS });
    const sheets = plan.plans.flatMap((each) => (each.kind === 'sheet' ? [each.part] : []));
    return {
      plan,
      lightsPerSheet: Object.fromEntries(
        sheets.map((sheet) => [sheet.id, lightsPerSheet(pieces, sheet)]),
      ),
    };
  },
  /** Several builds bought, cut and carried as one job. */
  together: (document: Production, ids: readonly string[]): Together =>
    togetherOf(document, ids, derivations),
  /** Light over the shot's coverage from where it stands, and the best places of one and two. */
  backdrop: (
    document: Production,
    buildId: string,
    transported: Transported | null,
  ): BackdropAnswer | null => backdropOf(document, buildId, transported),
  /** A build's colour at its subject, alone and with the room's own light. */
  colour: (document: Production, buildId: string) => colourSheet(document, buildId),
  unitColour: (document: Production, id: string) => unitColour(document, id),
  /** Labels out of a table, or line by line; and the language, where it is none whose words are read. */
  readLabels: (
    text: string,
    table: { rows: readonly (readonly string[])[]; columns: Columns } | null,
  ): { rows: ReadRow[]; language: string | null } => ({
    rows: table ? readTable(table.rows, table.columns) : readLines(text),
    language: otherLanguage(text.slice(0, 20_000)),
  }),
  /** Files of a unit: they may be large, and the tables behind spectra are. */
  unitSpread: (bytes: Uint8Array, fileName: string) => readUnitSpread(bytes, fileName),
  spectrum: (bytes: Uint8Array, fileName: string) => {
    const text = decodeText(bytes, fileName);
    return text.ok ? readSpectrum(text.value) : text;
  },
  /** A light in three dimensions, as a graphics card takes it. */
  assembled: (document: Production, buildId: string): Model | null => {
    const build = findBuild(document, buildId);
    const found = build && derivations.assembled(document, build);
    return found ? modelOf(found.bodies, found.putIn) : null;
  },
  /** How a light stands at a step of its making. */
  stepView: (document: Production, buildId: string, stepId: string): View | null => {
    const build = findBuild(document, buildId);
    const found = build && derivations.assembled(document, build);
    return found ? stepView(found, stepId) : null;
  },
  /** Every light of a production with its findings. */
  checks: (document: Production) => checkProduction(document, derivations),
  /** Ways out of what shuts a light's gate, each with what it costs. */
  mends: (document: Production, buildId: string) => mendsOf(document, buildId),
  fitting: (document: Production, buildId: string) => fittingRank(document, buildId),
  layers: (document: Production, buildId: string, run: Run) => layerLadder(document, buildId, run),
  /** A photograph's hash and kind by its content, and a small copy of it. */
  picture: (file: File) => preparePicture(file),
  /** Nothing but that all of this is here. */
  awake: () => true,
  fileExposure: async (file: Blob) => fileExposure(await file.arrayBuffer()),
  /** A picture as light. @param curve  of its camera; null for sRGB */
  frame: async (
    url: string,
    name: string,
    curve: readonly number[] | null,
    onProgress: (share: number) => void,
  ) => {
    const answer = await fetch(url).catch(() => null);
    return answer?.ok
      ? readFrame(await answer.blob(), name, curve, onProgress)
      : refuse('gone', `${name} is not kept here: put it in again.`, 'file');
  },
  /** Readings of a production held against its forecasts, solved together. */
  calibration: (document: Production, withSimulated: boolean) =>
    calibrateProduction(document, withSimulated),
  pointsForecast: (document: Production, session: Session) => pointsForecast(document, session),
  sweepForecast: (document: Production, session: Session) => sweepForecast(document, session),
  simulatedSpectrum: (document: Production, unitId: string, sessionId: string) => {
    const found = unitColour(document, unitId);
    return (
      found && simulatedSpectrum(sessionId, (nm) => found.curve[Math.round((nm - 380) / 5)] ?? 0)
    );
  },
  spectrumFigures: (spectrum: MeasuredSpectrum) => colourFigures(onGrid(spectrum)),
  comparedFrames: (...given: Parameters<typeof compareFrames>) => compareFrames(...given),
  bandsOfEach: (...given: Parameters<typeof bandsOfEach>) => bandsOfEach(...given),
  bandsTogether: (...given: Parameters<typeof bandsTogether>) => bandsTogether(...given),
  responseCurve: (...given: Parameters<typeof responseCurve>) => responseCurve(...given),
  simulatedFrames: (...given: Parameters<typeof simulatedFrames>) => simulatedFrames(...given),
  /** What a zip of a production would bring; nothing changes yet. */
  productionZip: (file: Blob, onProgress: (share: number) => void) =>
    readProductionZip(file, onProgress),
  zippedPicture: (file: Blob, entry: string) => zippedPicture(file, entry),
  /** An accessory with parts that fit, as it arrives on a build. */
  starterAccessory: (document: Production, buildId: string, kind: string, id: string) => {
    const build = document.builds.find((each) => each.id === buildId);
    const accessory = ACCESSORIES.get(kind);
    return build && accessory ? starterAccessory(accessory, document, build, id) : null;
  },
  /** The head as a production's best light shows it; null for what cannot be read too. */
  cover: (json: unknown, size: number, rays: number) => {
    const read = readDocument(json);
    return read.ok ? coverOf(read.value, size, rays) : null;
  },
  /** A setup worked out; null when this worker does not know the stock, which is then told. */
  solvedSet: (
    key: string,
    stock: Production | null,
    setup: Setup,
    rough: boolean,
  ): SetAnswer | null => setEngine(key, stock)?.answer(setup, rough) ?? null,
  /** What one light that is being moved gives straight at every face. */
  straightSet: (key: string, setup: Setup, thingId: string) =>
    setEngine(key, null)?.straight(setup, thingId) ?? null,
  /** Best places of two washes before a backdrop. */
  washPlaces: (key: string, setup: Setup, backdropId: string, allowedStops: number) =>
    setEngine(key, null)?.washPlaces(setup, backdropId, allowedStops) ?? null,
  /** A piece of a search; null when this worker does not know the question, which is then told. */
  searchPiece: (key: string, document: Production | null, shotId: string, task: Task) => {
    const question = askedQuestion(key, document, shotId);
    return question && doTask(task, question);
  },
  /** A found light judged by every engine; null for what does not stand up. */
  searchRefined: (key: string, document: Production, shotId: string, found: Judged) => {
    const question = askedQuestion(key, document, shotId);
    return question && refined(found, question);
  },
  /** A build or a fixture as it stands at a shot, to be held against others. */
  contestant: (document: Production, shotId: string, ref: ContestRef): Contestant | null =>
    contestant(document, shotId, ref),
  fixtureFile: (
    bytes: Uint8Array,
    fileName: string,
    now: { frontWidthM: number; frontHeightM: number },
  ) => readFixtureFile(bytes, fileName, now),
  searchLook: (
    document: Production,
    shotId: string,
    found: Judged,
    size: number,
    rays: number,
  ): Look | null => {
    const question = questionOf(document, shotId);
    return question && lookOf(found, question, size, rays);
  },
  variants: (document: Production, buildId: string, run: Run) => variants(document, buildId, run),
};
export type Questions = typeof questions;
