'use client';
import {
  Cable,
  CircleDot,
  Lightbulb,
  Plug,
  Power,
  ShieldCheck,
  SlidersHorizontal,
  Spline,
  ToggleRight,
  Zap,
} from 'lucide-react';
import type { ChainLink } from '@/core/power/chain';
import { SeverityMark } from '@/ui/Severity';

const ICONS: Record<ChainLink['id'], typeof Plug> = {
  breaker: ToggleRight,
  rcd: ShieldCheck,
  socket: Power,
  lead: Spline,
  plug: Plug,
  cord: Cable,
  dimmer: SlidersHorizontal,
  gear: Zap,
  holder: CircleDot,
  lamps: Lightbulb,
};
/** The plates are narrow: thousands of watts are told in kilowatts. */
function loadText({ value, limit, unit }: NonNullable<ChainLink['load']>): React.ReactNode {
  const kilo = unit === 'W' && limit >= 1000;
  const [by, name] = kilo ? [1000, 'kW'] : [1, unit];
  return (
    <>
      {short(value / by)}
      <span className="sr-only"> of </span>
      <span aria-hidden>/</span>
      {short(limit / by)} {name}
    </>
  );
}

/** Three figures without idle noughts. */
const short = (value: number) => Number(value.toPrecision(3)).toString();

const BARS: Record<ChainLink['severity'], string> = {
  stop: 'bg-stop',
  look: 'bg-look',
  unknown: 'bg-unknown',
  ok: 'bg-brass',
};

/** The way of the current from the breaker to the lamps, each link with what it bears and what it carries. */
export const ChainStrip = ({ chain }: { chain: readonly ChainLink[] }) => (
  <ol
    aria-label="From the breaker to the lamps"
    className="grid grid-flow-col auto-cols-fr gap-x-3 max-lg:grid-flow-row max-lg:grid-cols-3 max-lg:gap-y-2 max-md:grid-cols-2"
  >
    {chain.map((link, k) => (
      <Link key={link.id} link={link} last={k === chain.length - 1} />
    ))}
  </ol>
);

function Link({ link, last }: { link: ChainLink; last: boolean }) {
  const { id, name, what, load, severity } = link;
  const Icon = ICONS[id];
  const shut = severity === 'stop' || severity === 'unknown';
  return (
    <li
      data-link={id}
      data-severity={severity}
      className={`relative flex min-w-0 flex-col border bg-raised px-2 pt-1.5 pb-2 text-[13px] ${shut ? 'border-line-strong' : 'border-line'} ${severity === 'stop' ? 'bg-stop-wash' : ''}`}
    >
      {!last && (
        <span
          aria-hidden
          className="absolute top-[18px] -right-3 h-0.5 w-3 bg-line-strong max-lg:hidden"
        />
      )}
      <span className="flex items-center justify-between">
        <Icon size={17} aria-hidden />
        <SeverityMark severity={severity} bare />
      </span>
      <span className="mt-0.5 font-display font-semibold">{name}</span>
      <span
        className="mt-0.5 line-clamp-2 min-h-[2.5em] text-[12.5px] leading-tight text-ink-soft"
        title={what}
      >
        {what}
      </span>
      {load && (
        <>
          <span
            aria-hidden
            className="relative mt-1 block h-1.5 border border-line-strong bg-paper"
          >
            <span
              className={`block h-full ${BARS[severity]}`}
              style={{ width: `${Math.min(100, (100 * load.value) / load.limit)}%` }}
            />
          </span>
          <span className="figure mt-0.5 text-[11.5px] whitespace-nowrap">{loadText(load)}</span>
        </>
      )}
    </li>
  );
}
