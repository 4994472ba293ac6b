import { CLASS2_A, feedFuseA } from './feedFuse';
import type { Finding } from '../findings/finding';
import type { TapeRun } from '../build/wiring';
import type { Part } from '../materials/part';
import { ORIGIN_WORDS } from '../origin';
import { amps, exactMm, percent, threeFigures } from '../quantity';
import { CONNECTORS, LEADS_MM2, LEAD_SIZES } from '../electrics/leads';
import { ohmPerM } from '../electrics/copper';
import { supplyFindings } from './supplyFindings';
import { DIMMEST, type TapePlan } from './tapePlan';

const LEAD_DROP = 0.03;
/** Below this the copper of the tape turns as much into heat as its far diodes into light [common practice]. */
const STARVED = 0.5;

/** Brightness along the tape, its supply, leads and connectors. */
export function tapePowerFindings(
  plan: TapePlan | null,
  run: TapeRun | null,
  parts: readonly Part[],
): Finding[] {
  if (!plan || !run) return [];
  return [
    brightness(plan, run),
    ...supplyFindings(run, parts),
    ...lead(plan, run),
    ...leadReach(run),
    ...connector(plan, run),
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
    source: `Ladder of copper and loads, ${run.loopOhmPerM.origin === 'typical' ? 'typical copper of its width' : `its own copper (${ORIGIN_WORDS[run.loopOhmPerM.origin]})`}; nine tenths is common practice`,
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
  const thicker = LEAD_SIZES.find(
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
            message: `${amps(plan.mostFeedA)} from one output: a short can weld and burn. Put a fuse of ${feedFuseA(plan)} A in each feed, near the supply, no stronger than its lead bears.`,
            limit: `${CLASS2_A} A of a class 2 output`,
            source: 'UL 1310; from memory',
            where: { drawing: 'supply', field: run.leadField },
          },
        ]
      : []),
  ];
}

/** Lead that goes into the joints at both its ends, m [common practice]. */
const LEAD_ENDS_M = 0.1;

/** From the best place there is for its supply a lead has to reach half-way between the feeds farthest apart. */
function leadReach(run: TapeRun): Finding[] {
  const { feedSpanM = 0, leadLengthField, leadLengthM, supplies } = run;
  const needM = feedSpanM / 2 / supplies + LEAD_ENDS_M;
  if (!leadLengthField || feedSpanM === 0 || leadLengthM >= needM - 1e-9) return [];
  const enoughM = Math.ceil(needM * 10) / 10;
  return [
    {
      id: 'tape.lead-short',
      topic: 'tape',
      severity: 'look',
      title: 'The leads do not reach',
      message: `Feeds lie ${exactMm(feedSpanM)} apart${supplies > 1 ? `, shared by ${supplies} supplies` : ''}: even from the middle between them a lead of ${exactMm(leadLengthM)} is too short.`,
      limit: exactMm(needM),
      source: 'Geometry: half the way between the feeds farthest apart, and 10 cm for the joints',
      where: { drawing: 'supply', field: leadLengthField },
      remedies: [
        { label: `Leads of ${exactMm(enoughM)}`, parameters: { [leadLengthField]: enoughM } },
      ],
    },
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
