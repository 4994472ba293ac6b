import type { Picture } from '@/core/document/picture';

/** A picture in the log of a demo light: our own engines drew it (`scripts/demoPhotographs.ts`), no camera took it. */
export interface DemoPhotograph {
  /** under `src/demo/photographs` */
  file: string;
  buildId: string;
  stepId: string;
  caption: string;
}

export const DEMO_PHOTOGRAPHS: readonly DemoPhotograph[] = [
  {
    file: 'counter-lamp-lamps-in.png',
    buildId: 'counter-lamp',
    stepId: 'lamps-in',
    caption: 'The lamp in its shade, before its layers. Drawn, not photographed.',
  },
  {
    file: 'counter-lamp-meter.png',
    buildId: 'counter-lamp',
    stepId: 'meter',
    caption: 'What it does to a face. Drawn, not photographed.',
  },
  {
    file: 'lens-ring-lay-tape.png',
    buildId: 'lens-ring',
    stepId: 'lay-tape',
    caption: 'The tape laid; one half stayed dark. Drawn, not photographed.',
  },
  {
    file: 'stamp-panel-lay-tape.png',
    buildId: 'stamp-panel',
    stepId: 'lay-tape',
    caption: 'Fewer rows than it was begun with. Drawn, not photographed.',
  },
];

/** How the document names a photograph whose bytes are kept under a hash. */
export const demoPicture = (
  { file, buildId, stepId, caption }: DemoPhotograph,
  media: Picture['media'],
  sizeBytes: number,
): Picture => ({
  id: file.replace('.png', ''),
  media,
  type: 'image/png',
  sizeBytes,
  name: file,
  caption,
  buildId: buildId as Picture['buildId'],
  copy: 1,
  stepId,
});

/** A frame of the demo's camera session, drawn by our own engines (`scripts/demoFrames.ts`). */
export interface DemoFrame {
  id: string;
  file: string;
  name: string;
  role: 'scene' | 'reference';
}

export const DEMO_FRAMES: readonly DemoFrame[] = [
  { id: 'frame-steady', file: 'clerk-steady.jpg', name: 'steady', role: 'scene' },
  { id: 'frame-dimmed', file: 'clerk-dimmed.jpg', name: 'on a dimmer', role: 'scene' },
];
/** What the simulated camera chose for that light. */
export const FRAME_EXPOSURE = { exposureS: 1 / 250, fNumber: 2.8, isoSpeed: 800 } as const;

export const framePicture = (
  { id, file, name }: DemoFrame,
  media: Picture['media'],
  sizeBytes: number,
): Picture => ({
  id,
  media,
  type: 'image/jpeg',
  sizeBytes,
  name: file,
  caption: `Clerk ring, ${name}. Drawn, not photographed.`,
  buildId: null,
});
