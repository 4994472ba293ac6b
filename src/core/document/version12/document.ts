import { isPlainObject } from '../edit/address';
import { each, type Json } from '../version6/records';

/** Version 12: colours that are mixed (lamps of the shelf, builds, lights of a setup), shades, several of a light, boxes and sockets in a setup. */
const MIXED_FORMS: readonly unknown[] = [
  'strip-ring',
  'strip-pan',
  'sandwich-panel',
  'overhead-frame',
  'tube-light',
  'plain-source',
  'tube-bank',
  'panel-stack',
  'covered-bounce',
];
const AS_IT_COMES = {
  mix: 'sold',
  mixWarm: 0.5,
  mixCool: 0.5,
  mixRed: 1,
  mixGreen: 1,
  mixBlue: 1,
  mixWhite: 0,
};
const NOTHING_SAID = {
  warmK: null,
  coolK: null,
  warmLm: null,
  coolLm: null,
  redLm: null,
  greenLm: null,
  blueLm: null,
  whiteLm: null,
};

const liftBuild = (build: Json): Json =>
  MIXED_FORMS.includes(build.form) && isPlainObject(build.parameters)
    ? { ...build, parameters: { ...AS_IT_COMES, ...build.parameters } }
    : build;

const liftUnit = (unit: Json): Json => ({ colour: 'white', ...NOTHING_SAID, ...unit });

const liftThing = (thing: Json): Json =>
  thing.kind === 'light' ? { ...AS_IT_COMES, shade: 'none', copies: 1, ...thing } : thing;

const liftSetup = (setup: Json): Json => ({ ...setup, things: each(setup.things, liftThing) });

export function toVersion12(document: Json): Json {
  const shelf = isPlainObject(document.shelf) ? document.shelf : {};
  return {
    ...document,
    version: 12,
    shelf: { ...shelf, units: each(shelf.units, liftUnit) },
    builds: each(document.builds, liftBuild),
    setups: each(document.setups, liftSetup),
  };
}

const LIFTS: Partial<Record<string, (record: Json) => Json>> = {
  build: liftBuild,
  unit: liftUnit,
  thing: liftThing,
  setup: liftSetup,
};

/** A command as a window of version 11 wrote it; anything else comes back as it is. */
export function commandToVersion12(command: unknown): unknown {
  if (!isPlainObject(command) || !isPlainObject(command.record)) return command;
  const lift = LIFTS[String(command.kind)];
  return lift ? { ...command, record: lift(command.record) } : command;
}
