import type { Finding } from '../findings/finding';
import type { TapeRun } from '../forms/resolved';
import type { Part, PartOf } from '../materials/part';
import { threeFigures } from '../quantity';
import { ohmPerM } from './copper';
import { DIMMEST, type TapePlan } from './tapePlan';

/** Current each way of joining a lead to tape or supply bears [typ: handbook 05]. */
export const CONNECTORS = {
  soldered: { name: 'soldered', limitA: Infinity },
  terminal: { name: 'screw terminal', limitA: 10 },
  barrel: { name: 'barrel plug 5.5/2.1 mm', limitA: 5 },
  clip: { name: 'solderless clip', limitA: 3 },
} as const;
export type Connector = keyof typeof CONNECTORS;

/** Copper of two-core leads, mm², and what each carries in free air [std: BS 7671 Table 4F3A; from memory]. */
export const LEADS_MM2 = { 0.34: 2, 0.5: 3, 0.75: 6, 1: 10, 1.5: 16, 2.5: 25 } as const;
export type LeadMm2 = keyof typeof LEADS_MM2;
const LEAD_DROP = 0.03;
/** Below this the copper of the tape turns as much into heat as its far diodes into light [common practice]. */
const STARVED = 0.5;
/** A class 2 output gives no more current than this: 100 VA, and 8 A [std: UL 1310; from memory]. */
const CLASS2_A = 8;

const amps = (value: number) => `${threeFigures(value)} A`;
const percent = (share: number) => `${Math.round(share * 100)} %`;

/** Brightness along the tape, its supply, leads and connectors. */
export function tapeFindings(
  plan: TapePlan | null,
  run: TapeRun | null,
  parts: readonly Part[],
): Finding[] {
  if (!plan || !run) return [];
  return [
    brightness(plan, run),
    ...supplyChoice(run, parts),
    ...lead(plan, run),
    ...connector(plan, run),
  ];
}

/** A supply carries this share of its rating for hours [common practice]. */
export const SUPPLY_SHARE = 0.8;

/** Which supply of the shelf carries the tape alone, where none is chosen or several share it. */
function supplyChoice(run: TapeRun, parts: readonly Part[]): Finding[] {
  if (!run.supplyMissing && run.supplies === 1) return [];
  const loadW = run.wattsPerM * run.rowsM.reduce((sum, row) => sum + row, 0);
  const fitting = parts
    .filter((part): part is PartOf<'supply'> => part.role === 'supply')
    .filter(({ voltageV, ratedW }) => voltageV === run.voltageV && ratedW * SUPPLY_SHARE >= loadW)
    .toSorted((a, b) => a.ratedW - b.ratedW);
  const wantedW = Math.ceil(loadW / SUPPLY_SHARE);
  return [
    {
      id: 'tape.supply',
      topic: 'tape',
      severity: run.supplyMissing ? 'unknown' : 'look',
      title: run.supplyMissing ? 'Which supply' : 'One supply or several',
      message: fitting[0]
        ? `${threeFigures(loadW)} W at ${run.voltageV} V: “${fitting[0].name}” carries it alone.`
        : `${threeFigures(loadW)} W at ${run.voltageV} V: no supply on the shelf carries it alone. Look for one of at least ${wantedW} W, or split the tape; outputs are never joined.`,
      limit: `${wantedW} W, the load at four fifths of the rating`,
      source: 'Common practice',
      where: { drawing: 'supply', field: run.supplyField },
      remedies: fitting.slice(0, 2).map(({ id, name }) => ({
        label: `Use “${name}”`,
        parameters: { [run.supplyField]: id },
      })),
    },
  ];
}

function brightness(plan: TapePlan, run: TapeRun): Finding {
  const far = plan.parts.find((part) => part.dimmest === plan.dimmest)!;
  const fine = plan.dimmest >= DIMMEST;
  const starved = plan.dimmest < STARVED || !plan.settled;
  const fed = far.feedsM.length === 1 ? 'one feed' : `${far.feedsM.length} feeds`;
  const remedies = fine
    ? []
    : [
        ...(run.feed === 'one'
          ? [{ label: 'Feed both ends', parameters: { [run.feedField]: 'both' } }]
          : []),
        ...(run.rowsM.length > 1 && run.feed !== 'rows'
          ? [{ label: 'Feed every row', parameters: { [run.feedField]: 'rows' } }]
          : []),
        ...(plan.proposedFeeds !== null && run.feed !== 'spaced'
          ? [
              {
                label:
                  plan.proposedFeeds === 1
                    ? 'Feed it in the middle'
                    : `Feed it at ${plan.proposedFeeds} even places`,
                parameters: { [run.feedField]: 'spaced' },
              },
            ]
          : []),
      ];
  return {
    id: 'tape.brightness',
    topic: 'tape',
    severity: fine ? 'ok' : starved ? 'stop' : 'look',
    title: fine
      ? 'Even along the tape'
      : starved
        ? 'The tape is starved'
        : 'The far diodes are dimmer',
    message: fine
      ? `The dimmest diode gives ${percent(plan.dimmest)} of the brightest, from ${fed} on ${threeFigures(far.lengthM)} m.`
      : `With ${fed} on ${threeFigures(far.lengthM)} m the dimmest diode gives ${percent(plan.dimmest)} of the brightest, at ${threeFigures(plan.lowestV)} V: the tape’s own copper takes the rest${starved ? ' and heats under its glue' : ''}.${run.colour ? ' Colours shift too: blue and green fade first.' : ''} ${mending(plan.proposedFeeds)}`,
    limit: `${percent(DIMMEST)}; a stop below ${percent(STARVED)}`,
    source: `Ladder of copper and loads, ${run.loopOhmPerM === null ? 'typical copper of its width' : 'its own metered copper'}; nine tenths is common practice`,
    where: { drawing: 'tape', field: run.feedField },
    remedies,
  };
}

const mending = (feeds: number | null): string =>
  feeds === null
    ? 'Shorter or thicker leads first, then more feeds.'
    : feeds === 1
      ? 'One feed in its middle mends it.'
      : `${feeds} feeds, evenly placed, mend it.`;

function lead(plan: TapePlan, run: TapeRun): Finding[] {
  const bears = LEADS_MM2[run.leadMm2];
  const where = { drawing: 'supply', field: run.leadField };
  const over = plan.mostFeedA > bears;
  const thicker = (Object.keys(LEADS_MM2).map(Number) as LeadMm2[])
    .toSorted((a, b) => a - b)
    .find(
      (mm2) =>
        LEADS_MM2[mm2] >= plan.mostFeedA &&
        (2 * ohmPerM(mm2) * run.leadLengthM * plan.mostFeedA) / run.voltageV <= LEAD_DROP,
    );
  const remedies =
    thicker === undefined || thicker <= run.leadMm2
      ? []
      : [{ label: `Leads of ${thicker} mm²`, parameters: { [run.leadField]: thicker } }];
  if (over)
    return [
      {
        id: 'tape.lead',
        topic: 'tape',
        severity: 'stop',
        title: 'Too much current for the leads',
        message: `${amps(plan.mostFeedA)} through ${run.leadMm2} mm²: the lead gets hot enough to melt its sheath although the voltage is harmless. Take thicker leads, or more feeds.`,
        limit: amps(bears),
        source: 'BS 7671 Table 4F3A; from memory',
        where,
        remedies,
      },
    ];
  const fine = plan.leadDrop <= LEAD_DROP;
  return [
    {
      id: 'tape.lead',
      topic: 'tape',
      severity: fine ? 'ok' : 'look',
      title: fine ? 'The leads carry it' : 'The leads cost light',
      message: `${amps(plan.mostFeedA)} in the busiest lead loses ${threeFigures(plan.leadDrop * 100)} % of the volts.${fine ? '' : ' The whole tape is dimmer: thicker or shorter leads, or the supply nearer.'}`,
      limit: `3 %, and ${amps(bears)}`,
      source: 'Copper after IEC 60028; 3 % is common practice',
      where,
      remedies,
    },
    ...(plan.mostFeedA > CLASS2_A
      ? [
          {
            id: 'tape.fuse',
            topic: 'tape' as const,
            severity: 'look' as const,
            title: 'Fuse this feed',
            message: `${amps(plan.mostFeedA)} from one output: a short can weld and burn. Put a fuse of ${Math.ceil(plan.mostFeedA * 1.25)} A in each feed, near the supply, no stronger than its lead bears.`,
            limit: `${CLASS2_A} A of a class 2 output`,
            source: 'UL 1310; from memory',
            where: { drawing: 'supply', field: run.leadField },
          },
        ]
      : []),
  ];
}

function connector(plan: TapePlan, run: TapeRun): Finding[] {
  const { name, limitA } = CONNECTORS[run.connector];
  if (plan.mostFeedA <= limitA) return [];
  return [
    {
      id: 'tape.connector',
      topic: 'tape',
      severity: 'stop',
      title: 'Too much current for the connector',
      message: `${amps(plan.mostFeedA)} through a ${name}: its contacts heat and char. Solder the joint, use screw terminals, or feed the tape at more places.`,
      limit: amps(limitA),
      source: 'Typical ratings of such connectors',
      where: { drawing: 'tape', field: run.connectorField },
      remedies: [{ label: 'Solder it', parameters: { [run.connectorField]: 'soldered' } }],
    },
  ];
}
