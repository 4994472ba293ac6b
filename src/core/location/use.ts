export const USES = ['face', 'wash', 'green', 'insert', 'edge', 'dressing', 'overhead'] as const;
export type Use = (typeof USES)[number];

export const USE_NAMES: Record<Use, string> = {
  face: 'a face',
  wash: 'a backdrop',
  green: 'a green screen',
  insert: 'an insert',
  edge: 'an edge light',
  dressing: 'set dressing',
  overhead: 'an overhead scene',
};

/** Lowest CRI a use can live with [common practice, docs/model/units.md]; one green needs no rendering at all. */
export const CRI_GATE: Record<Use, number> = {
  face: 90,
  insert: 90,
  overhead: 90,
  wash: 80,
  green: 60,
  edge: 80,
  dressing: 80,
};

/** What a use is judged by, beside its level. */
type Judge = 'softness' | 'evenness';
interface Judging {
  by: readonly Judge[];
  /** what is lit, in a sentence */
  subject: string;
  /** has it a face, with a nose that throws a shadow and eyes that show the light? */
  person: boolean;
  /** where Glow opens: on a head, over what is lit, or at the light itself, which stands in the shot */
  view: 'face' | 'backdrop' | 'mouth';
  /** what is usually allowed over it, and from where that comes */
  evenSource: string;
}

/** Each use by what decides about it [common practice, docs/model/light.md]. */
export const JUDGED: Record<Use, Judging> = {
  face: {
    by: ['softness', 'evenness'],
    subject: 'the face',
    person: true,
    view: 'face',
    evenSource: '± ½ stop over a face and shoulders, common practice',
  },
  wash: {
    by: ['evenness'],
    subject: 'the backdrop',
    person: false,
    view: 'backdrop',
    evenSource: '± ½ stop for a painted flat, common practice',
  },
  green: {
    by: ['evenness'],
    subject: 'the green',
    person: false,
    view: 'backdrop',
    evenSource: '± ¼ stop for a green that is to be keyed out, common practice',
  },
  insert: {
    by: ['evenness', 'softness'],
    subject: 'the insert',
    person: false,
    view: 'backdrop',
    evenSource: '± ½ stop over a page, common practice',
  },
  edge: {
    by: [],
    subject: 'the edge',
    person: true,
    view: 'face',
    evenSource: 'an edge may fall off by a stop, common practice',
  },
  dressing: {
    by: [],
    subject: 'the set',
    person: false,
    view: 'mouth',
    evenSource: 'what stands in the shot may glow unevenly, common practice',
  },
  overhead: {
    by: ['evenness', 'softness'],
    subject: 'the scene',
    person: true,
    view: 'backdrop',
    evenSource: '± ½ stop over the scene, common practice',
  },
};

/** A form made for a backdrop is made for a green one. */
export const madeFor = (goodFor: readonly Use[], use: Use): boolean =>
  goodFor.includes(use) || (use === 'green' && goodFor.includes('wash'));
