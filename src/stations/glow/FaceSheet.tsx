'use client';
import { DEGREE } from '@/core/angle';
import { useEffect, useMemo, useRef, useState } from 'react';
import { shotOf } from '@/core/document/blank';
import type { Build } from '@/core/document/production';
import type { WorkedOut } from '@/core/evaluate/readouts';
import { shotTargetLx } from '@/core/evaluate/light';
import { fixturePicture, shotPose } from '@/core/evaluate/glow/scene';
import type { Pose } from '@/core/picture/scene';
import { SKIN_IDS, SKINS, type SkinId } from '@/core/mannequin/skin';
import { TONE_WORDS } from '@/core/colour/tone';
import { show, showText } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { exportName } from '../shell/actions';
import { useProduction } from '../store/context';
import { FixtureChoice } from '../verdict/FixtureChoice';
import { LightPad } from './LightPad';
import { FRAMES } from '@/core/picture/sight';
import { paint, paintBand, savePng, type View } from './paint';
import { useBuildLight } from './useBuildLight';
import { FULL_RAYS, useLitHead, type Picture } from './useLitHead';
import { StopsScale } from './StopsScale';

/** Canvas pixels; the picture is drawn smaller and stretched. */
const CANVAS = 480;
const VIEWS = [
  { value: 'wipe', label: 'wiped against the fixture' },
  { value: 'build', label: 'this build alone' },
  { value: 'difference', label: 'difference in stops' },
] as const;
const LEVELS = [
  { value: 'true', label: 'as the shot exposes it' },
  { value: 'matched', label: 'each brought to the target' },
] as const;

/** A head in this light, at the shot's distance and exposure, beside the fixture's. */
export default function FaceSheet({ build, readouts }: { build: Build; readouts: WorkedOut }) {
  const document = useProduction((state) => state.document);
  const shot = shotOf(document, build);
  const fixture =
    document.fixtures.find(({ id }) => id === build.fixtureId) ?? document.fixtures[0] ?? null;
  const asShot = shotPose(shot);
  const [pose, setPose] = useState(asShot);
  const [skin, setSkin] = useState<SkinId>('light');
  const [level, setLevel] = useState<'true' | 'matched'>('matched');
  const [view, setView] = useState<View>('wipe');
  const { light: buildLight, settled } = useBuildLight(document, build, readouts);
  const fixtureLight = useMemo(() => fixture && fixturePicture(fixture, shot), [fixture, shot]);
  const settings = {
    skin,
    targetLx: shotTargetLx({ ...shot, offsetStops: 0 }),
    matched: level === 'matched',
  };
  const own = useLitHead('build', buildLight, pose, settings, { refined: settled, eyes: true });
  const other = useLitHead('fixture', view === 'build' ? null : fixtureLight, pose, settings, {
    refined: settled,
  });
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_176px] gap-3 max-md:grid-cols-1">
      <Head
        own={own.picture}
        eyes={own.eyes}
        other={other.picture}
        view={view}
        broken={own.broken}
        name={exportName(document, `${build.name.toLowerCase().replace(/\W+/g, '-')}_face`, 'png')}
        fixtureName={fixture?.name ?? null}
      />
      <div className="flex flex-col gap-2 text-[13px]">
        <LightPad pose={pose} nearestM={0.3} farthestM={6} onMove={setPose} />
        <HeightSlider pose={pose} onMove={setPose} />
        <PoseWords pose={pose} readouts={readouts} />
        <button type="button" className="press !min-h-0 !py-0.5" onClick={() => setPose(asShot)}>
          Back to the shot’s distance
        </button>
        <ChoiceField label="Shown" value={view} options={VIEWS} onCommit={setView} />
        {fixture && view !== 'build' && (
          <FixtureChoice build={build} fixture={fixture} label="Fixture" />
        )}
        <ChoiceField label="Exposure" value={level} options={LEVELS} onCommit={setLevel} />
        <ChoiceField
          label="Skin"
          value={skin}
          options={SKIN_IDS.map((id) => ({ value: id, label: SKINS[id].name }))}
          onCommit={setSkin}
        />
      </div>
    </div>
  );
}

function HeightSlider({ pose, onMove }: { pose: Pose; onMove: (pose: Pose) => void }) {
  return (
    <label className="grid gap-0.5">
      <span className="flex justify-between text-ink-soft">
        Height <span className="figure">{Math.round(pose.elevationRad / DEGREE)}°</span>
      </span>
      <input
        type="range"
        min={-40}
        max={85}
        step={1}
        value={Math.round(pose.elevationRad / DEGREE)}
        className="accent-[var(--brass)]"
        onChange={(event) => onMove({ ...pose, elevationRad: Number(event.target.value) * DEGREE })}
      />
    </label>
  );
}

/** Light and softness where the light has been pushed to. */
function PoseWords({ pose, readouts }: { pose: Pose; readouts: WorkedOut }) {
  const { units } = useDevice();
  const softness = readouts.rungs.find(({ id }) => id === 'softness');
  const lx = along(readouts.fallOff, pose.distanceM);
  const shotM = softness?.working.inputs.find(({ symbol }) => symbol === 'd')?.value ?? 1;
  const across = 2 * shotM * Math.tan((softness?.value ?? 0) / 2);
  const angle = (2 * Math.atan2(across / 2, pose.distanceM)) / DEGREE;
  return (
    <p className="figure text-[12.5px]" data-pose>
      {showText(show(pose.distanceM, 'length', units))}:{' '}
      {lx === null ? '–' : showText(show(lx, 'illuminance', units))}, {angle.toFixed(0)}° wide
    </p>
  );
}

/** Between the points of the fall-off curve by ratio. */
function along(curve: WorkedOut['fallOff'], distanceM: number): number | null {
  const next = curve.findIndex((point) => point.distanceM >= distanceM);
  if (next < 1) return next === 0 ? curve[0]!.illuminanceLx : null;
  const [a, b] = [curve[next - 1]!, curve[next]!];
  const t = Math.log(distanceM / a.distanceM) / Math.log(b.distanceM / a.distanceM);
  return a.illuminanceLx * (b.illuminanceLx / a.illuminanceLx) ** t;
}

/** As wide as the head and both eyes below it have room for, one above the other. */
const HEAD_WIDE = 'max-w-[clamp(300px,calc((100dvh-262px)/1.24),780px)]';
/** Half a pixel inside, so that no empty row shows. */
const BAND = FRAMES.eyes.band - 0.01;

/** Both eyes large, for what stands in them: this very source, as bright as it is. */
function Eyes({ picture, stale }: { picture: Picture | null; stale: boolean }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    if (canvas.current && picture) paintBand(canvas.current, picture, BAND);
  }, [picture]);
  return (
    <canvas
      ref={canvas}
      width={CANVAS}
      height={Math.round(CANVAS * BAND)}
      role="img"
      aria-label="The mannequin’s eyes, large, with this light in them"
      data-eyes={picture ? 'drawn' : 'none'}
      className={`mx-auto mt-1 block w-full ${HEAD_WIDE} bg-[#14110d] ${stale ? 'opacity-40' : ''}`}
    />
  );
}

interface HeadProps {
  own: Picture | null;
  /** the eyes large */
  eyes: Picture | null;
  other: Picture | null;
  view: View;
  broken: boolean;
  name: string;
  fixtureName: string | null;
}

function Head({ own, eyes, other, view, broken, name, fixtureName }: HeadProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [wipe, setWipe] = useState(0.5);
  useEffect(() => {
    if (!canvas.current || !own) return;
    paint(canvas.current, own, other, view, wipe);
    // Heard by nobody but the benchmark, which counts pictures a second.
    canvas.current.dispatchEvent(new CustomEvent('drawn', { bubbles: true }));
  }, [own, other, view, wipe]);
  const clean = own !== null && own.rays >= FULL_RAYS;
  return (
    <figure className="flex min-w-0 flex-col gap-1">
      <div className={`relative mx-auto w-full ${HEAD_WIDE}`}>
        <canvas
          ref={canvas}
          width={CANVAS}
          height={CANVAS}
          role="img"
          aria-label={`A mannequin’s head in the light of this build${view === 'build' ? '' : `, ${view === 'wipe' ? 'the fixture’s on the right' : 'against the fixture’s'}`}`}
          data-rays={own?.rays ?? 0}
          data-picture={clean ? 'clean' : own ? 'rough' : 'none'}
          data-fixture-picture={other && other.rays >= FULL_RAYS ? 'clean' : 'rough'}
          className="aspect-square w-full bg-[#14110d]"
        />
        {view === 'wipe' && fixtureName && (
          <Wipe share={wipe} onWipe={setWipe} fixtureName={fixtureName} />
        )}
      </div>
      {view === 'difference' && <StopsScale words="build against fixture" />}
      <figcaption
        className={`mx-auto flex w-full ${HEAD_WIDE} flex-wrap items-center justify-between gap-2 text-[12px] text-ink-soft`}
      >
        <span role="status" className="flex-1">
          {broken
            ? 'The picture could not be drawn here; the figures stand.'
            : !own
              ? 'Drawing the first picture…'
              : `${own.rays} of ${FULL_RAYS} rays a pixel. ${TONE_WORDS}`}
        </span>
        <button
          type="button"
          className="press !min-h-0 !py-0.5"
          disabled={!own}
          onClick={() => canvas.current && savePng(canvas.current, name)}
        >
          Save as PNG
        </button>
      </figcaption>
      <Eyes picture={eyes} stale={!clean} />
    </figure>
  );
}

interface WipeProps {
  share: number;
  onWipe: (share: number) => void;
  fixtureName: string;
}

/** Build on the left, fixture on the right, and the seam between them to push. */
const Wipe = ({ share, onWipe, fixtureName }: WipeProps) => (
  <>
    <input
      type="range"
      aria-label="Wipe between build and fixture"
      min={0}
      max={100}
      value={Math.round(share * 100)}
      onChange={(event) => onWipe(Number(event.target.value) / 100)}
      className="absolute inset-x-0 bottom-0 w-full accent-[var(--brass-bright)]"
    />
    <span className="absolute top-1 left-1 rounded bg-black/60 px-1.5 text-[12px] text-white">
      this build
    </span>
    <span className="absolute top-1 right-1 max-w-[45%] truncate rounded bg-black/60 px-1.5 text-[12px] text-white">
      {fixtureName}
    </span>
  </>
);
