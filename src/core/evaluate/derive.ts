import { shotOf } from '../document/blank';
import type { Circuit } from '../location/circuit';
import type { Build, Production } from '../document/production';
import type { Shot } from '../location/shot';
import type { Finding } from '../findings/finding';
import type { Drawing } from '../drawing/drawing';
import type { FormContext, FormDrawing } from '../forms/form';
import { frameworkView } from '../forms/kit/pipework';
import type { Need } from '../build/needs';
import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Part } from '../materials/part';
import { asCalibrated, calibratedFinish } from '../meter/calibrated';
import type { Unit } from '../units/unit';
import type { Transported } from '../light/transport/result';
import { fullCurrentA, planPower, type PowerPlan } from '../power/plan';
import { leadNeeds } from '../power/tapeLeads';
import { planTape, type TapePlan } from '../power/tapePlan';
import { wiringGraph, type WiringGraph } from '../power/conductors';
import { wantsEarth } from '../power/earth';
import { plugWords, wiringView } from '../power/wiringPicture';
import { planCuts, type CutPlan } from '../shop/cutPlan';
import { planPurchase, type Purchase } from '../shop/purchase';
import { assert } from '../result';
import { assembledOf, type Assembled } from './assembled';
import { findingsOf, unknownForm } from './check';
import { flickerRung } from './colourRungs';
import { resolveWith, shelfOf, type Resolution } from './context';
import { Keep, type Lookup } from './keep';
import type { EstimateScale } from './field';
import { evaluateLight, type LightResult } from './light';
import type { Readout } from './readout';
import { cavityOf, type CavityModel } from './readouts';
import { throwView } from './throwView';
import { DesignViews } from './views';

/** How finely light is worked out; a neighbour is asked for less than what is looked at. */
export interface LightAsked {
  /** cells along each side of the evenness grid, 2…64 */
  gridCells?: number;
  /** what the transport engine has found for a room so far */
  transported?: (room: CavityModel) => Transported | null;
  /** how far the estimate was off when this build's room was last simulated */
  estimateScale?: EstimateScale;
}

/** Cutting plans tried on every change; the Cut & buy station looks longer. */
const QUICK_PLAN = { starts: 5, batch: 80 };
const NO_SHELF_LIST: readonly Part[] = [];

/**
 * Results of the engines about the builds of one document after another, each asked for by itself
 * and kept by the identity of what it read: a note changes nothing, a price the cost alone, a
 * neighbour's note nothing here. `evaluate` with a fresh one of these is the oracle of its test.
 */
export class Derivations {
  readonly views = new DesignViews();
  private readonly keep = new Keep<Production>();
  private known: ReadonlySet<string> = new Set();
  private builds: Production['builds'] | null = null;

  /** How often each kind of result has been worked out so far. */
  get worked(): ReadonlyMap<string, number> {
    return this.keep.worked;
  }

  /** Kept under a build's name as long as the inputs are the same objects. */
  kept<T>(
    document: Production,
    build: Build,
    name: string,
    inputs: readonly unknown[],
    work: () => T,
  ): T {
    this.forgetGone(document);
    return this.keep.get(build.id, name, document, inputs, work);
  }

  shot = (document: Production, build: Build): Shot => this.views.shot(shotOf(document, build));

  circuit(document: Production, build: Build): Circuit {
    const circuit = document.circuits.find(({ id }) => id === build.circuitId);
    assert(circuit, `build ${build.id} refers to a circuit of its production`);
    return circuit;
  }

  parts = (document: Production): readonly Part[] =>
    document.shelf.parts.length ? this.views.list('parts', document.shelf.parts) : NO_SHELF_LIST;

  /** The build with everything looked up; null when its form is unknown or its parameters do not fit. */
  resolve(document: Production, build: Build): Resolution | null {
    this.forgetGone(document);
    const { form, parameters, accessories } = build;
    // A build is stored under these alone: name, note and copies are nobody's business here.
    return this.keep.get(
      build.id,
      'resolve',
      document,
      [form, parameters, accessories, build.shotId, build.circuitId],
      (note) => {
        const context = this.readingContext(document, build, note, 'record');
        return resolveWith(build, context, this.readingContext(document, build, note, 'stock'));
      },
    );
  }

  /** A context that notes what is read from it. @param seen  with stock or without */
  private readingContext(
    document: Production,
    build: Build,
    note: (lookup: Lookup<Production>) => void,
    seen: 'record' | 'stock',
  ): FormContext {
    const reading = <T>(look: (document: Production) => T): T => {
      const found = look(document);
      note({ look, found });
      return found;
    };
    const finder = <R extends { id: string }>(kind: 'units' | 'parts') => {
      const find =
        (id: R['id'] | null) =>
        ({ shelf, calibration }: Production) => {
          const records: readonly (Unit | Part)[] = shelf[kind];
          const record = records.find((each) => each.id === id);
          const taught = record && asCalibrated(kind, record, calibration);
          return taught ? (this.views[seen](kind, taught) as unknown as R) : null;
        };
      return (id: R['id'] | null): R | null => reading(find(id));
    };
    const shot = () => reading((each) => this.shot(each, build));
    const circuit = () => reading((each) => this.circuit(each, build));
    return {
      get shot() {
        return shot();
      },
      get circuit() {
        return circuit();
      },
      part: finder<Part>('parts'),
      unit: finder<Unit>('units'),
      finish: (id) => reading(({ calibration }) => calibratedFinish(id, calibration)),
    };
  }

  light(document: Production, build: Build, asked: LightAsked = {}): LightResult | null {
    const found = this.resolve(document, build);
    if (!found) return null;
    const room = this.room(document, build);
    const transported = (room && asked.transported?.(room)) ?? null;
    const { gridCells, estimateScale } = asked;
    const shot = this.shot(document, build);
    return this.kept(
      document,
      build,
      `light ${gridCells ?? ''}`,
      [found, shot, transported, transported ? null : estimateScale],
      () => evaluateLight(found.resolved, shot, { gridCells, transported, estimateScale }),
    );
  }

  room(document: Production, build: Build): CavityModel | null {
    const found = this.resolve(document, build);
    if (!found) return null;
    const shot = this.shot(document, build);
    return this.kept(document, build, 'room', [found, shot], () => cavityOf(found.resolved, shot));
  }

  /** Amperes a build draws from its circuit, every copy fully up. */
  amps(document: Production, build: Build, voltageV: number): number {
    const found = this.resolve(document, build);
    if (!found) return 0;
    return this.kept(
      document,
      build,
      `amps ${voltageV}`,
      [found, build.copies],
      () => build.copies * fullCurrentA(found.resolved, voltageV),
    );
  }

  /** What else is on a build's circuit: other builds in use, and its other load. Ideas draw nothing. */
  othersA(document: Production, build: Build): number {
    const circuit = this.circuit(document, build);
    return document.builds.reduce(
      (sum, other) =>
        other.id !== build.id && other.circuitId === circuit.id && other.standing === 'in use'
          ? sum + this.amps(document, other, circuit.voltageV)
          : sum,
      circuit.otherLoadW / circuit.voltageV,
    );
  }

  tape(document: Production, build: Build): TapePlan | null {
    const found = this.resolve(document, build);
    return (
      found && this.kept(document, build, 'tape', [found], () => planTape(found.resolved.tape))
    );
  }

  power(document: Production, build: Build): { plan: PowerPlan; tape: TapePlan | null } | null {
    const found = this.resolve(document, build);
    if (!found) return null;
    const circuit = this.circuit(document, build);
    const othersA = this.othersA(document, build);
    const parts = this.parts(document);
    return this.kept(
      document,
      build,
      'power',
      [found, circuit, othersA, build.copies, parts],
      () => ({
        plan: planPower(
          found.resolved,
          circuit,
          othersA,
          (id) => parts.find((part) => part.id === id) ?? null,
          build.copies,
        ),
        tape: this.tape(document, build),
      }),
    );
  }

  /** The quick cutting plan. */
  cuts(document: Production, build: Build): CutPlan | null {
    const found = this.resolve(document, build);
    if (!found) return null;
    const { resolved } = found;
    const own = [...new Set(resolved.pieces.map(({ partId }) => partId))].map((partId) => {
      const part = document.shelf.parts.find(({ id }) => id === partId);
      return part ? this.views.stock('parts', part) : null;
    });
    return this.kept(document, build, 'cuts', [found, build.copies, ...own], () =>
      planCuts(
        resolved.pieces,
        build.copies,
        (id) => own.find((part) => part?.id === id) ?? null,
        QUICK_PLAN,
      ),
    );
  }

  cost(document: Production, build: Build): Purchase | null {
    const found = this.resolve(document, build);
    const cuts = this.cuts(document, build);
    if (!found || !cuts) return null;
    const needs = this.needs(document, build);
    return this.keep.get(
      build.id,
      'cost',
      document,
      [found, cuts, needs, build.copies, document.shelf],
      () => planPurchase(needs, build.copies, cuts, shelfOf(document)),
    );
  }

  /** All that is taken off the bench for one light, leads by their plan among it. */
  needs(document: Production, build: Build): readonly Need[] {
    const found = this.resolve(document, build);
    if (!found) return [];
    const plan = this.tape(document, build);
    return this.kept(document, build, 'needs', [found, plan], () => [
      ...found.resolved.needs,
      ...leadNeeds(plan, found.resolved.tape),
    ]);
  }

  flicker(document: Production, build: Build, asked: LightAsked = {}): Readout | null {
    const found = this.resolve(document, build);
    const light = this.light(document, build, asked);
    if (!found || !light) return null;
    const [shot, circuit] = [this.shot(document, build), this.circuit(document, build)];
    return this.kept(document, build, 'flicker', [found, light, shot, circuit], () =>
      flickerRung(light, found.resolved, shot, circuit),
    );
  }

  findings(document: Production, build: Build, asked: LightAsked = {}): Finding[] {
    const found = this.resolve(document, build);
    const light = this.light(document, build, asked);
    const cuts = this.cuts(document, build);
    const power = this.power(document, build);
    const flicker = this.flicker(document, build, asked);
    if (!found || !light || !cuts || !power || !flicker)
      return this.kept(document, build, 'findings', [build.name, build.form], () => [
        unknownForm(build),
      ]);
    const { resolved } = found;
    const shot = this.shot(document, build);
    const circuit = this.circuit(document, build);
    const parts = this.parts(document);
    const inputs = [
      found,
      light,
      cuts,
      power,
      flicker,
      shot,
      circuit,
      parts,
      build.shotId === null,
      build.site,
    ];
    return this.kept(document, build, 'findings', inputs, () =>
      findingsOf({ build, shot, circuit, parts }, resolved, { light, cuts, flicker, ...power }),
    );
  }

  /** What the form alone draws, and where its wires lie. */
  private drawn(document: Production, build: Build): FormDrawing | null {
    const found = this.resolve(document, build);
    if (!found) return null;
    return this.keep.get(build.id, 'drawn', document, [found], (note) =>
      found.form.draw(found.parameters, this.readingContext(document, build, note, 'record')),
    );
  }

  /** Every piece in its place, in three dimensions; worked out only when somebody looks. */
  assembled(document: Production, build: Build): Assembled | null {
    const found = this.resolve(document, build);
    if (!found) return null;
    return this.keep.get(build.id, 'assembled', document, [found], (note) =>
      assembledOf(found, this.readingContext(document, build, note, 'record')),
    );
  }

  /** Every wire from terminal to terminal. */
  wiring(document: Production, build: Build): WiringGraph | null {
    const found = this.resolve(document, build);
    const power = this.power(document, build);
    const drawn = this.drawn(document, build);
    if (!found || !power || !drawn) return null;
    const parts = this.parts(document);
    const { resolved } = found;
    const { cord, plug, region } = power.plan;
    const inputs = [found, drawn, parts, cord, plug, region, power.tape];
    return this.kept(document, build, 'wiring', inputs, () =>
      wiringGraph({
        ...power,
        resolved,
        board: drawn.board,
        earths: wantsEarth(resolved, (id) => parts.find((part) => part.id === id) ?? null)
          .filter(({ label }) => !label)
          .map(({ name }) => name),
      }),
    );
  }

  /** The form's drawing with its wires and what it carries. */
  drawing(document: Production, build: Build): Drawing | null {
    const found = this.resolve(document, build);
    const drawn = this.drawn(document, build);
    const graph = this.wiring(document, build);
    const power = this.power(document, build);
    if (!found || !drawn || !graph || !power) return null;
    const fuse = plugWords(power.plan);
    const { trips } = power.plan.region;
    const shot = this.shot(document, build);
    return this.kept(document, build, 'drawing', [found, drawn, graph, fuse, trips, shot], () => {
      const wires = wiringView({ graph, board: drawn.board, fuse, trips });
      const maps = found.resolved.frameworks.map(frameworkView);
      const before = throwView(found.resolved, shot);
      return { views: [...drawn.views, wires, ...found.views, ...maps, before] };
    });
  }

  resolved(document: Production, build: Build): ResolvedBuild | null {
    return this.resolve(document, build)?.resolved ?? null;
  }

  /** Results of builds that are gone are not kept. */
  private forgetGone(document: Production): void {
    if (document.builds === this.builds) return;
    this.builds = document.builds;
    const ids = new Set<string>(document.builds.map(({ id }) => id));
    if ([...this.known].some((id) => !ids.has(id))) this.keep.prune(ids);
    this.known = ids;
  }
}
