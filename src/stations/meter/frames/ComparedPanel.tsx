import { boxFigures, evennessIn } from '@/core/frames/boxes';
import { balanceShift } from '@/core/frames/balance';
import type { Comparison } from '@/core/frames/compare';
import { shadowEdge } from '@/core/frames/edge';
import { exposureBetween, settingsApart } from '@/core/frames/exposure';
import type { Session } from '@/core/meter/session';
import { show, showText } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import type { SeenFrame } from './useFrames';

interface ComparedPanelProps {
  session: Session;
  first: SeenFrame | undefined;
  second: SeenFrame | undefined;
  compared: Comparison | null;
  /** the two have different shapes */
  apart: boolean;
}

export const stopsText = (stops: number): string =>
  `${Math.abs(stops).toFixed(2)} stops ${stops >= 0 ? 'brighter' : 'darker'}`;
const percent = (share: number): string =>
  share > 0 && share < 0.001 ? 'under 0.1 %' : `${(100 * share).toFixed(1)} %`;

/** What is different between two frames: settings first, then whether the camera moved, then the light. */
export function ComparedPanel({ session, first, second, compared, apart }: ComparedPanelProps) {
  if (!first || !second)
    return (
      <p className="text-[14px] text-ink-soft" role="status">
        Put a second frame in, and the two are compared.
      </p>
    );
  const stops = exposureBetween(first.frame, second.frame);
  const settings = settingsApart(first.frame, second.frame);
  return (
    <div className="grid gap-2 text-[14px]">
      <Told look={settings.length > 0 || stops === null} about="exposure">
        {stops === null
          ? 'A frame does not say how it was exposed: what differs may be the camera’s doing. Type its settings under Camera.'
          : settings.length > 0
            ? `The exposures differ: ${settings.join(', ')}. It is taken out below.`
            : 'Both were exposed alike.'}
      </Told>
      {first.frame.camera !== second.frame.camera && (
        <Told look about="camera">
          By two cameras: {first.frame.camera || 'unnamed'} and {second.frame.camera || 'unnamed'}.
        </Told>
      )}
      {apart && (
        <p role="alert" className="text-stop">
          The frames have different shapes ({size(first)} and {size(second)}): they cannot be laid
          over each other. Take both with one camera, not cropped.
        </p>
      )}
      {compared && <Moved compared={compared} />}
      {compared?.stops != null && (
        <p className="text-[15px]" data-stops={compared.stops.toFixed(3)}>
          The second is <span className="figure">{stopsText(compared.stops)}</span>
          {stops ? ', exposure taken out' : ''}.
        </p>
      )}
      {compared && compared.stops === null && (
        <p role="alert">Nothing of the two is neither clipped nor black: expose anew.</p>
      )}
      {first.data && second.data && (
        <>
          <p>
            Clipped: <span className="figure">{percent(first.data.clippedShare)}</span> and{' '}
            <span className="figure">{percent(second.data.clippedShare)}</span>. Black:{' '}
            <span className="figure">{percent(first.data.crushedShare)}</span> and{' '}
            <span className="figure">{percent(second.data.crushedShare)}</span>.
          </p>
          <Colour session={session} first={first} second={second} />
          <Evenness session={session} seen={[first, second]} />
          <Edge session={session} seen={[first, second]} />
        </>
      )}
    </div>
  );
}

const size = ({ data }: SeenFrame) => (data ? `${data.width} × ${data.height}` : '–');

const Told = ({
  look,
  about,
  children,
}: {
  look: boolean;
  about: string;
  children: React.ReactNode;
}) => (
  <p className={look ? 'border-l-4 border-look pl-2' : ''} data-told={about}>
    {children}
  </p>
);

function Moved({ compared: { registration } }: { compared: Comparison }) {
  const { verdict, shift, scale, turnDeg } = registration;
  if (verdict === 'same') return <p data-registration="same">The camera stood still.</p>;
  if (verdict === 'other')
    return (
      <Told look about="registration">
        <span data-registration="other">
          Not the same place, lens or size: the pictures do not lie over each other. Differences
          below are of the scene, not of the light.
        </span>
      </Told>
    );
  const parts = [
    Math.hypot(...shift) > 0.002 &&
      `shifted by ${(100 * Math.hypot(...shift)).toFixed(1)} % of the width`,
    Math.abs(scale - 1) > 0.003 &&
      `${(100 * Math.abs(scale - 1)).toFixed(1)} % ${scale > 1 ? 'larger' : 'smaller'}`,
    Math.abs(turnDeg) > 0.2 && `turned by ${Math.abs(turnDeg).toFixed(1)}°`,
  ].filter(Boolean);
  return (
    <Told look about="registration">
      <span data-registration="moved">
        The camera moved: the second is {parts.join(', ')}. Boxes lie on something else in it.
      </span>
    </Told>
  );
}

/** Of the first grey box: what the light on it did. */
function Colour({
  session,
  first,
  second,
}: {
  session: Session;
  first: SeenFrame;
  second: SeenFrame;
}) {
  const { boxes, camera } = session.frames;
  const grey = Object.values(boxes).find(({ what }) => what === 'grey');
  if (!grey || !first.data || !second.data) return null;
  const [a, b] = [boxFigures(first.data, grey), boxFigures(second.data, grey)];
  if (Math.max(a.clippedShare, b.clippedShare) > 0.01)
    return <p>The grey card is clipped: its colour tells nothing.</p>;
  const shift = balanceShift(a.rgb, b.rgb, camera.balanceK);
  const [low, high] = shift.range.map(Math.round) as [number, number];
  const tint = Math.abs(shift.duv) < 0.001 ? '' : shift.duv > 0 ? ', greener' : ', more magenta';
  return (
    <p data-mired={shift.mired.toFixed(1)}>
      On the grey card the light is{' '}
      <span className="figure">
        {Math.round(shift.mired) === 0
          ? 'of the same colour'
          : `${Math.abs(Math.round(shift.mired))} mired ${shift.mired > 0 ? 'warmer' : 'cooler'}`}
      </span>
      {tint}
      {low !== high &&
        ` (${Math.min(Math.abs(low), Math.abs(high))} to ${Math.max(Math.abs(low), Math.abs(high))}, as nobody said what the camera was balanced for)`}
      . A camera that balances itself hides it.
    </p>
  );
}

function Evenness({ session, seen }: { session: Session; seen: readonly SeenFrame[] }) {
  const wall = Object.values(session.frames.boxes).find(({ what }) => what === 'background');
  if (!wall) return null;
  const even = seen.map(({ data }) => (data ? evennessIn(data, wall).plusMinusStops : 0));
  return (
    <p data-evenness={even[1]!.toFixed(2)}>
      The background is even to <span className="figure">± {even[0]!.toFixed(2)}</span> and{' '}
      <span className="figure">± {even[1]!.toFixed(2)}</span> stops in its box.
    </p>
  );
}

function Edge({ session, seen }: { session: Session; seen: readonly SeenFrame[] }) {
  const { units } = useDevice();
  const { line, camera } = session.frames;
  if (!line) return null;
  const edges = seen.map(({ data }) => data && shadowEdge(data, line));
  const text = (share: number) =>
    camera.widthM === null
      ? `${(100 * share).toFixed(1)} % of the width`
      : showText(show(share * camera.widthM, 'length', units));
  const [a, b] = edges;
  if (!a || !b) return <p>The line crosses no shadow’s edge in one of the frames.</p>;
  return (
    <p data-edge={(b.halfShadow / a.halfShadow).toFixed(2)}>
      The shadow’s edge is <span className="figure">{text(a.halfShadow)}</span> and{' '}
      <span className="figure">{text(b.halfShadow)}</span> wide:{' '}
      {Math.abs(Math.log2(b.halfShadow / a.halfShadow)) < 0.15
        ? 'as soft as before'
        : b.halfShadow > a.halfShadow
          ? 'softer'
          : 'harder'}
      .
    </p>
  );
}
