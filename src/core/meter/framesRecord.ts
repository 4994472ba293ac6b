import * as z from 'zod/mini';
import { list, note, range, text } from '../schema';

/** What a frame is there for: the scene, one of a bracket for the camera's curve, or the same without bands. */
export const FRAME_ROLES = ['scene', 'bracket', 'reference'] as const;

/** A picture with what its camera was set to. It is struck out, never taken away. */
const frameSchema = z.object({
  /** of the document's pictures; the bytes lie there under their hash */
  pictureId: text(1, 64),
  name: text(1, 120),
  role: z.enum(FRAME_ROLES),
  /** null where neither the file nor anybody says */
  exposureS: z.nullable(range(1e-6, 3600)),
  fNumber: z.nullable(range(0.5, 128)),
  isoSpeed: z.nullable(range(1, 1e7)),
  focalM: z.nullable(range(0.0005, 5)),
  camera: note(80),
  /** in the order they were put in */
  order: range(0, 1e6),
  struck: z.nullable(text(1, 200)),
  simulated: z.boolean(),
});
export type Frame = z.infer<typeof frameSchema>;

/** What lies in a box drawn on the pictures. */
export const BOX_KINDS = ['skin', 'background', 'grey', 'shadow', 'other'] as const;
export type BoxKind = (typeof BOX_KINDS)[number];

const share = range(0, 1);
/** In shares of the picture's width and height, from its upper left. */
const boxSchema = z.object({ what: z.enum(BOX_KINDS), x: share, y: share, w: share, h: share });
export type Box = z.infer<typeof boxSchema>;

const lineSchema = z.object({ x1: share, y1: share, x2: share, y2: share });
export type Line = z.infer<typeof lineSchema>;

const cameraSchema = z.object({
  /** colour temperature it was balanced for; null where nobody knows */
  balanceK: z.nullable(range(1500, 20_000)),
  /** from its first row to its last; null where nobody knows */
  readOutS: z.nullable(range(0.0001, 0.5)),
  /** ln of the exposure that gives each of 256 values, from a bracket; null for sRGB */
  curve: z.nullable(list(range(-40, 40), 256, 256)),
  /** light at a card over what its settings say, in stops; null while it was never held against a meter */
  calibration: z.nullable(
    z.object({
      stops: range(-8, 8),
      /** standard uncertainty, stops */
      deviationStops: range(0, 4),
      /** how bright the card was in the picture then, stops over mid-grey */
      level: range(-12, 6),
      how: note(200),
    }),
  ),
  /** of the card in the grey box */
  cardReflectance: range(0.01, 1),
  /** across the picture where the shadow falls; null where nobody measured */
  widthM: z.nullable(range(0.001, 1000)),
});
export type Camera = z.infer<typeof cameraSchema>;

/** Pictures of a session, what is looked at in them, and the camera. */
export const framesSchema = z.object({
  shots: z.record(text(1, 64), frameSchema),
  boxes: z.record(text(1, 64), boxSchema),
  /** across the edge of a shadow */
  line: z.nullable(lineSchema),
  camera: cameraSchema,
});
export type Frames = z.infer<typeof framesSchema>;

/** A grey card reflects 18 % [common practice]. */
const GREY_CARD = 0.18;

export const blankFrames = (): Frames => ({
  shots: {},
  boxes: {},
  line: null,
  camera: {
    balanceK: null,
    readOutS: null,
    curve: null,
    calibration: null,
    cardReflectance: GREY_CARD,
    widthM: null,
  },
});
