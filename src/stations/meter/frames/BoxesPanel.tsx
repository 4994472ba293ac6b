import { boxFigures } from '@/core/frames/boxes';
import { exposureBetween } from '@/core/frames/exposure';
import type { Session } from '@/core/meter/session';
import { stopsFigure } from '@/core/quantity';
import type { Meter } from '../useMeter';
import { BOX_NAMES } from './FrameView';
import type { SeenFrame } from './useFrames';

interface BoxesPanelProps {
  session: Session;
  first: SeenFrame | undefined;
  second: SeenFrame | undefined;
  meter: Meter;
}

/** What lies in each box, before and after, and how key and fill stand. */
export function BoxesPanel({ session, first, second, meter }: BoxesPanelProps) {
  const boxes = Object.entries(session.frames.boxes);
  const exposure = first && second ? (exposureBetween(first.frame, second.frame) ?? 0) : 0;
  if (boxes.length === 0)
    return (
      <p className="text-[14px] text-ink-soft">
        Draw a box on a picture: on skin, on the background, on a grey card, in the shadow.
      </p>
    );
  return (
    <div className="grid gap-3 text-[13.5px]">
      <table className="rows tight w-full">
        <thead>
          <tr>
            <th scope="col">Box on</th>
            <th scope="col" className="num">
              Before
            </th>
            <th scope="col" className="num">
              After
            </th>
            <th scope="col" className="num">
              Change
            </th>
            <th scope="col" className="sr-only">
              Take away
            </th>
          </tr>
        </thead>
        <tbody>
          {boxes.map(([key, box]) => {
            const [a, b] = [first, second].map((each) => each?.data && boxFigures(each.data, box));
            return (
              <tr key={key} data-box={box.what}>
                <td>
                  {BOX_NAMES[box.what]}
                  {Math.max(a?.clippedShare ?? 0, b?.clippedShare ?? 0) > 0.01 && ', clipped'}
                </td>
                <td className="num">{a ? stopsFigure(a.stops) : '–'}</td>
                <td className="num">{b ? stopsFigure(b.stops) : '–'}</td>
                <td
                  className="num"
                  data-change={a && b ? (b.stops - a.stops - exposure).toFixed(3) : ''}
                >
                  {a && b ? stopsFigure(b.stops - a.stops - exposure) : '–'}
                </td>
                <td>
                  {session.closedAt === null && (
                    <button
                      type="button"
                      className="press !px-1.5 !py-0"
                      aria-label={`Take the box on ${BOX_NAMES[box.what]} away`}
                      onClick={() =>
                        void meter.frames(session, 'a box taken away', (draft) => {
                          delete draft.boxes[key];
                        })
                      }
                    >
                      ×
                    </button>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="text-ink-soft">
        Stops about mid-grey as the picture has them; the change has the exposure taken out.
      </p>
      {[first, second].map(
        (seen, k) =>
          seen && <KeyToFill key={k} session={session} seen={seen} name={k ? 'After' : 'Before'} />,
      )}
    </div>
  );
}

/** Light on the skin over light in the shadow. */
function KeyToFill({ session, seen, name }: { session: Session; seen: SeenFrame; name: string }) {
  const all = Object.values(session.frames.boxes);
  const [skin, shade] = [
    all.find(({ what }) => what === 'skin'),
    all.find(({ what }) => what === 'shadow'),
  ];
  if (!skin || !shade || !seen.data) return null;
  const [lit, dark] = [boxFigures(seen.data, skin), boxFigures(seen.data, shade)];
  const ratio = lit.light / dark.light;
  return (
    <p data-ratio={ratio.toFixed(2)}>
      {name}: key and fill together stand{' '}
      <span className="figure">
        {ratio.toFixed(1)} : 1 ({stopsFigure(Math.log2(ratio))} stops)
      </span>{' '}
      over the fill alone, where both boxes lie on one surface.
      {lit.noise !== null && ` Noise on the skin ${(100 * lit.noise).toFixed(1)} %.`}
    </p>
  );
}
