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
