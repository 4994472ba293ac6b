import { isPlainObject } from '../edit/address';
import { each, type Json } from '../version6/records';

/**
 * Version 12: colours that are mixed (lamps of the shelf, builds, lights of a setup), shades, boxes and sockets in a setup. Of records, what is
 * new has a first value in its own schema; parameters of a build are kept as they are, so theirs are filled in here.
 */
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

export const liftBuild = (build: Json): Json =>
  MIXED_FORMS.includes(build.form) && isPlainObject(build.parameters)
    ? { ...build, parameters: { ...AS_IT_COMES, ...build.parameters } }
    : build;

export const toVersion12 = (document: Json): Json => ({
  ...document,
  version: 12,
  builds: each(document.builds, liftBuild),
});

/** A command as a window of version 11 wrote it; anything else comes back as it is. */
export const commandToVersion12 = (command: unknown): unknown =>
  isPlainObject(command) && command.kind === 'build' && isPlainObject(command.record)
    ? { ...command, record: liftBuild(command.record) }
    : command;
