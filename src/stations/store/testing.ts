import { nightFerry } from '@/demo/nightFerry';
import {
  applyBatches,
  changeRecord,
  diffDocuments,
  mergeBatches,
  type Batch,
  type Change,
  type Command,
} from '@/core/document/edit';
import type { Production } from '@/core/document/production';
import { validateProduction } from '@/core/document/read';

interface Request {
  method: string;
  url: string;
  body: Record<string, unknown>;
}

/** A server of a few lines: it keeps one production as the real one does, and can be silent. */
export class StubServer {
  document: Production = nightFerry();
  revision = 1;
  readonly taken = new Map<string, { client: string; revision: number }>();
  readonly requests: Request[] = [];
  /** 'down' answers nothing and takes nothing, 'deaf' takes and loses its answer, 'hung' never says anything, 'shut' lets nobody in */
  mood: 'up' | 'down' | 'deaf' | 'hung' | 'shut' = 'up';
  /** pages that were left: nothing of theirs arrives any more */
  readonly left = new Set<string>();
  /** puts what touches nothing of others' beside theirs, instead of asking */
  merges = false;
  /** what was done, a step a revision from the second on; it may have forgotten, or tell it wrongly */
  readonly steps: Command[][] = [];
  memory: 'good' | 'none' | 'wrong' = 'good';
  /** edits in one request it stands */
  most = 500;

  install(): this {
    global.fetch = (async (url: string, init: { method?: string; body?: string }) => {
      const { method = 'GET' } = init;
      const request: Request = { method, url, body: JSON.parse(init.body ?? '{}') };
      this.requests.push(request);
      // Pages of earlier tests live on; theirs is another production.
      if (!url.includes(`/${this.document.id}`)) throw new TypeError('another server');
      if (this.mood === 'down' || this.left.has(request.body.client as string))
        throw new TypeError('refused');
      if (this.mood === 'hung') return new Promise(() => undefined);
      if (this.mood === 'shut') return Response.json({ title: 'Not let in.' }, { status: 401 });
      const [status, json] = this.answer(request);
      if (this.mood === 'deaf') throw new TypeError('cut off');
      return Response.json(json, { status });
    }) as never;
    return this;
  }

  /** Somebody else saves. */
  elsewhere(change: Change): void {
    const batch: Batch = {
      id: `else-${this.revision}`,
      label: '',
      commands: change(this.document),
      inverse: [],
    };
    this.take([batch], 'else');
  }

  private take(batches: readonly Batch[], client: string): string[] {
    const fresh = batches.filter(({ id }) => !this.taken.has(id));
    const refused: string[] = [];
    const accepted: string[] = [];
    const before = this.document;
    const whole = applyBatches(before, fresh);
    if (whole.refused.length === 0 && validateProduction(whole.document).ok) {
      this.document = whole.document;
      fresh.splice(0).forEach(({ id }) => accepted.push(id));
    }
    for (const batch of fresh) {
      const done = applyBatches(this.document, [batch]);
      const checked = done.refused.length ? null : validateProduction(done.document);
      if (checked?.ok) {
        this.document = done.document;
        accepted.push(batch.id);
      } else refused.push(batch.id);
    }
    if (this.document !== before) {
      this.revision += 1;
      this.steps.push(diffDocuments(before, this.document));
      for (const id of accepted) this.taken.set(id, { client, revision: this.revision });
    }
    return refused;
  }

  private movedOn(base: number, client: string): boolean {
    const own = new Set(
      [...this.taken.values()].flatMap((edit) =>
        edit.client === client && edit.revision > base ? [edit.revision] : [],
      ),
    );
    return this.revision !== base && own.size !== this.revision - base;
  }

  /** The newest state, as what was done since a revision where that is known and asked for. */
  private newer(base: number | null) {
    const { revision, document } = this;
    if (base === null || this.memory === 'none') return { revision, document };
    const gone: Command = { do: 'remove', kind: 'build', id: 'nobody' };
    const since = this.memory === 'wrong' ? [gone] : this.steps.slice(base - 1).flat();
    return { revision, since };
  }

  private answer({ method, url, body }: Request): [number, unknown] {
    const { client } = body as { client: string };
    const newer = this.newer(null);
    const asked = new URL(url, 'http://stub').searchParams;
    const follows = asked.has('follows') || body.follows === true;
    if (method === 'GET') return [200, this.newer(follows ? Number(asked.get('after')) : null)];
    if (method === 'POST') {
      const asked = body as unknown as { revision: number; edits: string[] };
      return [
        200,
        {
          ...newer,
          taken: asked.edits.filter((id) => this.taken.has(id)),
          movedOn: this.movedOn(asked.revision, client),
        },
      ];
    }
    const { baseRevision, edits } = body as unknown as { baseRevision: number; edits: Batch[] };
    if (edits.length > this.most) return [413, { title: 'Too many.' }];
    if (this.movedOn(baseRevision, client)) {
      const { batches, clashes } = mergeBatches(edits, this.document);
      if (!this.merges || clashes.length > 0) return [409, { title: 'Changed.', newer }];
      this.take(batches, client);
      const { revision } = this;
      return [200, { revision, refused: [], newer: this.newer(follows ? baseRevision : null) }];
    }
    const problems = [{ code: 'x', path: 'shots', message: 'It does not fit.' }];
    const refused = this.take(edits, client).map((id) => ({ id, problems }));
    const { revision } = this;
    if (refused.length && refused.length === edits.length)
      return [422, { title: 'Not taken.', problems, revision, refused }];
    return [200, { revision, refused }];
  }
}

export const rename =
  (name: string): Change =>
  (document) =>
    changeRecord(
      { kind: 'production', id: document.id },
      (draft) => void (draft.name = name),
    )(document);
export const noteOn = (id: string, note: string): Change =>
  changeRecord({ kind: 'build', id }, (draft) => void (draft.note = note));
