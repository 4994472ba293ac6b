import { isPlainObject } from '../edit/address';
import { each, type Json } from '../version6/records';

/**
 * Version 8: making a light is kept step by step. Before it a making was a list of ticks without what they were
 * done for; they are kept, and ask for a look.
 */
const STAMP = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}Z$/;
const LONG_AGO = '2000-01-01T00:00:00Z';
const stampOf = (told: unknown): string =>
  typeof told === 'string' && STAMP.test(told) ? told : LONG_AGO;

const ticksOf = (ticks: unknown): unknown =>
  Array.isArray(ticks)
    ? Object.fromEntries(
        ticks.filter(isPlainObject).map(({ stepId, doneAt, minutes }) => [
          String(stepId),
          {
            at: stampOf(doneAt),
            by: '',
            minutes: minutes ?? null,
            plannedMin: 0,
            title: String(stepId),
            print: 'before version 8',
          },
        ]),
      )
    : ticks;

export const liftMaking = (making: Json): Json => ({
  copy: 1,
  startedAt: LONG_AGO,
  begun: {},
  readings: {},
  timers: {},
  paid: {},
  log: [],
  ...making,
  ticks: ticksOf(making.ticks),
});

export const toVersion8 = (document: Json): Json => ({
  ...document,
  version: 8,
  makings: each(document.makings, liftMaking),
});

/** A command as a window of version 7 wrote it; anything else comes back as it is. */
export function commandToVersion8(command: unknown): unknown {
  if (!isPlainObject(command) || command.kind !== 'making' || !isPlainObject(command.record))
    return command;
  return { ...command, record: liftMaking(command.record) };
}
