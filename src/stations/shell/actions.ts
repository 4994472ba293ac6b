import { nanoid } from 'nanoid';
import { freeName } from '@/core/document/records';
import { buildSchema, type Build, type Production } from '@/core/document/production';
import { FORMS } from '@/core/forms';
import { SITE_RECORD } from '@/core/location/site';

/** A new build of a form for a shot, on the production's first circuit. */
export function newBuild(
  document: Production,
  formId: string,
  shotId: string,
  parameters?: Build['parameters'],
): Build {
  const form = FORMS.get(formId)!;
  const shot = document.shots.find(({ id }) => id === shotId)!;
  return buildSchema.parse({
    id: nanoid(10),
    name: freeName(`${shot.name} ${form.name.toLowerCase()}`, document.builds),
    shotId,
    circuitId: document.circuits[0]!.id,
    fixtureId: document.fixtures[0]?.id ?? null,
    standing: 'in use',
    form: formId,
    parameters: parameters ?? form.defaults(),
    accessories: [],
    copies: 1,
    site: SITE_RECORD.starts,
    signOffs: [],
    note: '',
  });
}

export function copyOfBuild(document: Production, build: Build): Build {
  return buildSchema.parse({
    ...structuredClone(build),
    id: nanoid(10),
    name: freeName(build.name, document.builds),
    // Nobody has looked this one over.
    signOffs: [],
  });
}

/** night-ferry_production.json */
export const exportName = (document: Production, what: string, ending: string): string =>
  `${document.name.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '-')}_${what}.${ending}`;

/** Hands a file to the browser without asking the server. */
export function download(name: string, text: string, type: string): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

/** Lets the browser fetch a file from the server, to where it keeps such things. */
export function fetchFile(url: string): void {
  const link = document.createElement('a');
  link.href = url;
  link.download = '';
  link.click();
}
