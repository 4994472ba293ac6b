import { expose } from 'comlink';
import { light } from './light';
import type { Questions } from './questions';

/** The questions' code is several times that of the light, and comes when the first one is asked. */
const lazily = <K extends keyof Questions>(name: K) =>
  (async (...given: Parameters<Questions[K]>) => {
    const { questions } = await import('./questions');
    return (questions[name] as (...all: unknown[]) => unknown)(...given);
  }) as unknown as Questions[K];

/** One hand of the pool: it follows photons, draws, and answers questions. */
const hand = {
  ...light,
  gallery: lazily('gallery'),
  sensitivities: lazily('sensitivities'),
  cutPlan: lazily('cutPlan'),
  together: lazily('together'),
  backdrop: lazily('backdrop'),
  colour: lazily('colour'),
  unitColour: lazily('unitColour'),
  readLabels: lazily('readLabels'),
  unitSpread: lazily('unitSpread'),
  spectrum: lazily('spectrum'),
  assembled: lazily('assembled'),
  stepView: lazily('stepView'),
  checks: lazily('checks'),
  mends: lazily('mends'),
  fitting: lazily('fitting'),
  layers: lazily('layers'),
  starterAccessory: lazily('starterAccessory'),
  cover: lazily('cover'),
  variants: lazily('variants'),
  picture: lazily('picture'),
  awake: lazily('awake'),
  fileExposure: lazily('fileExposure'),
  frame: lazily('frame'),
  calibration: lazily('calibration'),
  pointsForecast: lazily('pointsForecast'),
  sweepForecast: lazily('sweepForecast'),
  simulatedSpectrum: lazily('simulatedSpectrum'),
  spectrumFigures: lazily('spectrumFigures'),
  comparedFrames: lazily('comparedFrames'),
  bandsOfEach: lazily('bandsOfEach'),
  bandsTogether: lazily('bandsTogether'),
  responseCurve: lazily('responseCurve'),
  simulatedFrames: lazily('simulatedFrames'),
  productionZip: lazily('productionZip'),
  zippedPicture: lazily('zippedPicture'),
  solvedSet: lazily('solvedSet'),
  straightSet: lazily('straightSet'),
  washPlaces: lazily('washPlaces'),
  searchPiece: lazily('searchPiece'),
  searchRefined: lazily('searchRefined'),
  searchLook: lazily('searchLook'),
  contestant: lazily('contestant'),
  fixtureFile: lazily('fixtureFile'),
} satisfies Record<string, unknown> & { [K in keyof Questions]: Questions[K] };
export type HandApi = typeof hand;
expose(hand);
