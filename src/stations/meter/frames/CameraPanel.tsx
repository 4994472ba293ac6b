import { useState } from 'react';
import { boxFigures } from '@/core/frames/boxes';
import { calibrationOf, cameraLux, globeLux, type Card } from '@/core/frames/cameraLux';
import { lightOnGrey } from '@/core/frames/balance';
import type { Camera, Frame } from '@/core/meter/framesRecord';
import type { Session } from '@/core/meter/session';
import { threeFigures } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { QuantityField } from '@/ui/fields/QuantityField';
import type { Meter } from '../useMeter';
import { ReadIn } from '../ReadIn';
import { CurveFromBracket } from './CurveFromBracket';
import type { SeenFrame } from './useFrames';

interface CameraPanelProps {
  session: Session;
  meter: Meter;
  /** the frame whose card is read */
  seen: SeenFrame | null;
}

/** A meter's share of its reading becomes stops: 5 % is 0.07. */
const METER_STOPS = Math.log2(1.05) / Math.sqrt(3);

const cardOf = (session: Session, { frame, data }: SeenFrame): Card | null => {
  const grey = Object.values(session.frames.boxes).find(({ what }) => what === 'grey');
  if (!grey || !data) return null;
  const { stops, clippedShare } = boxFigures(data, grey);
  const { cardReflectance, curve, calibration } = session.frames.camera;
  return {
    exposure: frame,
    stops,
    clippedShare,
    reflectance: cardReflectance,
    curve: curve !== null,
    calibration,
  };
};

/** What the camera was set to, and the light its card says. */
export function CameraPanel({ session, meter, seen }: CameraPanelProps) {
  const { units } = useDevice();
  const { camera } = session.frames;
  const setCamera = (label: string, values: Partial<Camera>) =>
    meter.frames(session, label, (draft) => {
      Object.assign(draft.camera, values);
    });
  const locked = session.closedAt !== null;
  const common = { system: units, emptyText: 'not known' };
  return (
    <div className="grid gap-3 text-[14px]">
      {seen && <LuxByCard session={session} meter={meter} seen={seen} />}
      {!locked && seen && <Settings key={seen.key} session={session} meter={meter} seen={seen} />}
      {!locked && (
        <div className="grid grid-cols-2 gap-2">
          <QuantityField
            {...common}
            label="Balanced for"
            value={camera.balanceK}
            dimension="colourTemperature"
            assumedUnit="K"
            step={100}
            min={1500}
            max={20_000}
            onCommit={(balanceK) => setCamera('balance of the camera', { balanceK })}
          />
          <QuantityField
            system={units}
            label="Card reflects, %"
            value={camera.cardReflectance * 100}
            dimension="count"
            assumedUnit=""
            step={1}
            min={1}
            max={100}
            help="A grey card 18, white printing paper about 85."
            onCommit={(share) =>
              share === null
                ? 'A card reflects something: a grey card 18 %.'
                : setCamera('card', { cardReflectance: share / 100 })
            }
          />
          <QuantityField
            {...common}
            label="Across the picture"
            value={camera.widthM}
            dimension="length"
            assumedUnit="m"
            step={0.05}
            min={0.001}
            max={1000}
            onCommit={(widthM) => setCamera('width of the picture', { widthM })}
          />
        </div>
      )}
      {!locked && <CurveFromBracket session={session} meter={meter} />}
    </div>
  );
}

function LuxByCard({ session, meter, seen }: { session: Session; meter: Meter; seen: SeenFrame }) {
  const [problem, setProblem] = useState<string | null>(null);
  const card = cardOf(session, seen);
  const { calibration, balanceK } = session.frames.camera;
  if (!card)
    return (
      <p className="text-ink-soft" role="status">
        Draw a box on a grey card, or on white paper, and the camera is a light meter.
      </p>
    );
  const lux = cameraLux(card);
  const grey = Object.values(session.frames.boxes).find(({ what }) => what === 'grey')!;
  const colour = balanceK === null ? null : lightOnGrey(boxFigures(seen.data!, grey).rgb, balanceK);
  const holdAgainst = (known: number): string | null => {
    const found = calibrationOf(card, known, METER_STOPS);
    if (!found.ok) return found.problems[0]!.message;
    return meter.frames(session, 'camera held against a meter', ({ camera }) => {
      camera.calibration = {
        ...found.value,
        how: `${threeFigures(known)} lx by a meter beside the card, ${seen.frame.name}`,
      };
    });
  };
  return (
    <section aria-label="Light on the card">
      {lux.ok ? (
        <>
          <p data-lux={lux.value.lux.toFixed(1)} data-calibrated={lux.value.calibrated}>
            <span className="figure text-[26px]">{threeFigures(lux.value.lux)} lx</span>{' '}
            <span className="text-ink-soft">
              ± {lux.value.calibrated ? lux.value.plusMinusStops.toFixed(2) : '⅔'} stop
              {seen.frame.simulated && ', simulated'}
            </span>
          </p>
          <p className="text-[13px] text-ink-soft">
            On the card in {seen.frame.name}: E = π·L/ρ, N²/t = L·S/K, K = 12.5 cd·s/m².{' '}
            {calibration
              ? `Held against a meter: ${calibration.how}.`
              : 'Never held against a meter: cameras’ own scales lie 0.8 stop apart.'}
            {colour && ` It is ${Math.round(colour.cctK / 10) * 10} K by the camera’s balance.`}
          </p>
          {session.closedAt === null && (
            <button
              type="button"
              className="press mt-1"
              onClick={() =>
                void meter.read(
                  session,
                  { kind: 'card', frame: seen.key },
                  Number(lux.value.lux.toPrecision(4)),
                  seen.frame.simulated,
                )
              }
            >
              Keep as a reading
            </button>
          )}
        </>
      ) : (
        <p role="alert" className="border-l-4 border-look pl-2">
          {lux.problems[0]!.message}
        </p>
      )}
      {session.closedAt === null && (
        <div className="mt-2">
          <ReadIn
            label="A lux meter at the card says"
            button="Hold against it"
            onRead={holdAgainst}
          />
          <p className="mt-1 text-[13px] text-ink-soft">
            No lux meter? A bare frosted globe of 806 lm, alone in a dark room, gives about{' '}
            {Math.round(globeLux(806, 1))} lx at 1 m.
          </p>
        </div>
      )}
      {problem && <p role="alert">{problem}</p>}
      {calibration && session.closedAt === null && (
        <button
          type="button"
          className="press mt-1"
          onClick={() =>
            setProblem(
              meter.frames(session, 'camera as it comes', ({ camera }) => {
                camera.calibration = null;
              }),
            )
          }
        >
          Forget that
        </button>
      )}
    </section>
  );
}

/** Shutter, iris and ISO of one frame, as its file said or as somebody knows. */
function Settings({ session, meter, seen }: { session: Session; meter: Meter; seen: SeenFrame }) {
  const { units } = useDevice();
  const { key, frame } = seen;
  const set = (label: string, values: Partial<Frame>) =>
    meter.frames(session, label, ({ shots }) => {
      Object.assign(shots[key]!, values);
    });
  const common = { system: units, emptyText: 'not said' };
  return (
    <fieldset className="grid grid-cols-3 gap-2">
      <legend className="mb-1 text-ink-soft">
        {frame.name} was taken with {frame.camera || 'a camera that is not named'}
      </legend>
      <ShutterField
        value={frame.exposureS}
        onCommit={(exposureS) => set('shutter of a frame', { exposureS })}
      />
      <QuantityField
        {...common}
        label="f/"
        value={frame.fNumber}
        dimension="count"
        assumedUnit=""
        step={0.1}
        min={0.5}
        max={128}
        onCommit={(fNumber) => set('iris of a frame', { fNumber })}
      />
      <QuantityField
        {...common}
        label="ISO"
        value={frame.isoSpeed}
        dimension="count"
        assumedUnit=""
        step={100}
        min={1}
        max={1e7}
        onCommit={(isoSpeed) => set('ISO of a frame', { isoSpeed })}
      />
    </fieldset>
  );
}

/** A shutter as cameras write it: 1/50, or seconds. */
function ShutterField({
  value,
  onCommit,
}: {
  value: number | null;
  onCommit: (seconds: number | null) => string | null;
}) {
  const { units } = useDevice();
  return (
    <QuantityField
      system={units}
      label="Shutter"
      value={value}
      dimension="time"
      assumedUnit="s"
      step={0.001}
      min={1e-6}
      max={3600}
      emptyText="1/50"
      onCommit={onCommit}
    />
  );
}
