import {
  BufferAttribute,
  BufferGeometry,
  Color,
  DynamicDrawUsage,
  GreaterDepth,
  LessEqualDepth,
  LineSegments,
  Mesh,
  NoColorSpace,
  OrthographicCamera,
  Scene,
  ShaderMaterial,
  Vector3,
  WebGLRenderer,
  type IUniform,
} from 'three';
import { boxAround } from '@/core/assembly/distance';
import { seen, viewAxes, type Eye } from '@/core/assembly/eye';
import type { Standing } from '@/core/assembly/standing';
import { plus, scaled, type Vector } from '@/core/light/vector';
import type { Matter } from '@/core/assembly/body';
import type { Model } from '@/core/assembly/model';
import { facetsOf, outlines, type Facets } from '@/core/assembly/facets';

/** Inks of the page, as CSS colours. */
export interface Inks {
  ink: string;
  soft: string;
  sheet: string;
  brass: string;
  wash: string;
  glass: string;
  tape: string;
}

/** Numbers a shader tells bodies apart by. */
const STANDS: Record<Standing, number> = { mounted: 0, now: 1, 'to come': 2 };
/** What glows wears the colour of glass or tape. */
const TINTS: Partial<Record<Matter, number>> = { lamp: 1, tape: 2 };
/** The picture leaves so much room round itself. */
const ROOM = 1.06;
const DEEP_M = 60;

/** Where a body stands is one for all its corners: one that is still to come is left out as a whole. */
const MOVED = /* glsl */ `
  attribute vec3 away;
  attribute float stands;
  uniform float apart;
  vec4 moved() { return projectionMatrix * modelViewMatrix * vec4(position + away * apart, 1.0); }
`;

/** Paper with a breath of shade where it turns away, so that a face is told from its neighbour. */
const FACE = {
  vertexShader: /* glsl */ `${MOVED}
    attribute float lamp;
    uniform vec3 sheet; uniform vec3 wash; uniform vec3 glass; uniform vec3 tape; uniform vec3 ink;
    flat varying vec3 vPaper;
    void main() {
      float turned = 1.0 - abs(dot(normalMatrix * normal, normalize(vec3(0.35, 0.55, 0.76))));
      vec3 own = lamp > 1.5 ? mix(sheet, tape, 0.55) : mix(sheet, glass, lamp);
      vPaper = mix(stands > 0.5 ? wash : own, ink, 0.13 * turned);
      gl_Position = stands > 1.5 ? vec4(2.0, 2.0, 2.0, 1.0) : moved();
    }`,
  fragmentShader: /* glsl */ `
    flat varying vec3 vPaper;
    void main() { gl_FragColor = vec4(vPaper, 1.0); }`,
};

/** Edges: inked where they are seen; light where something lies before them or they are still to come. */
const EDGE = {
  vertexShader: /* glsl */ `${MOVED}
    uniform float nearer; uniform float hidden; uniform vec2 shift;
    uniform vec3 ink; uniform vec3 brass; uniform vec3 soft;
    flat varying vec4 vInk;
    void main() {
      bool later = stands > 1.5;
      bool now = stands > 0.5 && !later;
      float strength = hidden > 0.5 ? (now ? 0.45 : 0.12) : (later ? 0.3 : 1.0);
      vInk = vec4(now ? brass : (later ? soft : ink), strength);
      gl_Position = moved();
      gl_Position.xy += shift * gl_Position.w;
      gl_Position.z -= nearer * gl_Position.w;
      if (hidden > 0.5 && later) gl_Position = vec4(2.0, 2.0, 2.0, 1.0);
    }`,
  fragmentShader: /* glsl */ `
    flat varying vec4 vInk;
    void main() { gl_FragColor = vInk; }`,
};

/** At rest a line is drawn once for each of these, a point of the finer picture apart: as wide as it was while it turned. */
const STROKES = [
  [0, 0],
  [1, 0],
  [0, 1],
  [1, 1],
] as const;

/** A light in three dimensions, inked like our drawings; nothing is drawn but when something changed. */
export class AssemblyScene {
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new OrthographicCamera(-1, 1, 1, -1, -DEEP_M, DEEP_M);
  private readonly uniforms: Record<string, IUniform>;
  private readonly facets: Facets;
  private readonly faces = new BufferGeometry();
  private readonly edges = new BufferGeometry();
  private readonly bends = new BufferGeometry();
  private readonly stands: BufferAttribute;
  private readonly outline: Uint32Array;
  /** of lines that are drawn at rest only */
  private readonly finer: LineSegments[] = [];
  private readonly shifts: IUniform[] = [];
  /** corners of every body's box, and the way each goes */
  private readonly reaches: readonly { corners: readonly Vector[]; away: Vector }[];
  private size = { wide: 1, high: 1 };

  constructor(
    canvas: HTMLCanvasElement,
    private readonly model: Model,
  ) {
    this.renderer = new WebGLRenderer({ canvas, antialias: false, alpha: true });
    this.uniforms = {
      apart: { value: 0 },
      ...Object.fromEntries(
        ['ink', 'soft', 'sheet', 'brass', 'wash', 'glass', 'tape'].map((name) => [
          name,
          { value: new Color() },
        ]),
      ),
    };
    this.facets = facetsOf(model);
    this.stands = new BufferAttribute(new Float32Array(model.body.length), 1);
    this.outline = new Uint32Array(model.bends.length / 2);
    this.fillFaces();
    this.fillLines();
    this.reaches = reachesOf(model);
    this.put();
  }

  private fillFaces(): void {
    const { from, triangles, normals } = this.facets;
    const { positions, away, body, bodies } = this.model;
    const threes = (of: Float32Array) =>
      Float32Array.from(
        { length: 3 * from.length },
        (_, k) => of[3 * from[(k / 3) | 0]! + (k % 3)]!,
      );
    const told = new Float32Array(3 * from.length);
    for (let k = 0; k < triangles.length; k += 3)
      told.set(normals.subarray(k, k + 3), 3 * triangles[k + 2]!);
    const lamp = Float32Array.from(from, (k) => TINTS[bodies[body[k]!]!.matter] ?? 0);
    const own = this.faces;
    own.setAttribute('position', new BufferAttribute(threes(positions), 3));
    own.setAttribute('away', new BufferAttribute(threes(away), 3));
    own.setAttribute('normal', new BufferAttribute(told, 3));
    own.setAttribute('lamp', new BufferAttribute(lamp, 1));
    own.setAttribute('stands', new BufferAttribute(new Float32Array(from.length), 1));
    own.setIndex(new BufferAttribute(triangles, 1));
  }

  private fillLines(): void {
    const position = new BufferAttribute(this.model.positions, 3);
    const away = new BufferAttribute(this.model.away, 3);
    for (const [own, index] of [
      [this.edges, this.model.edges],
      [this.bends, this.outline],
    ] as const) {
      own.setAttribute('position', position);
      own.setAttribute('away', away);
      own.setAttribute('stands', this.stands);
      own.setIndex(new BufferAttribute(index, 1));
    }
    this.bends.getIndex()!.setUsage(DynamicDrawUsage);
  }

  private put(): void {
    const made = (
      given: { vertexShader: string; fragmentShader: string },
      more: Partial<ConstructorParameters<typeof ShaderMaterial>[0]> = {},
      own: Record<string, IUniform> = {},
    ) => new ShaderMaterial({ ...given, uniforms: { ...this.uniforms, ...own }, ...more });
    const faces = new Mesh(
      this.faces,
      made(FACE, { polygonOffset: true, polygonOffsetFactor: 1, polygonOffsetUnits: 2 }),
    );
    const inked = (hidden: boolean, shift: IUniform) =>
      made(
        EDGE,
        {
          transparent: true,
          depthWrite: false,
          depthFunc: hidden ? GreaterDepth : LessEqualDepth,
        },
        {
          hidden: { value: hidden ? 1 : 0 },
          nearer: { value: hidden ? -0.00002 : 0.00002 },
          shift,
        },
      );
    const unmoved = { value: [0, 0] };
    const hidden = new LineSegments(this.edges, inked(true, unmoved));
    this.finer.push(hidden);
    const all: (Mesh | LineSegments)[] = [faces, hidden];
    STROKES.forEach((_, which) => {
      const shift = { value: [0, 0] };
      this.shifts.push(shift);
      const ink = inked(false, shift);
      const drawn = [new LineSegments(this.bends, ink), new LineSegments(this.edges, ink)];
      if (which > 0) this.finer.push(...drawn);
      all.push(...drawn);
    });
    all.forEach((each, order) => {
      each.frustumCulled = false;
      each.renderOrder = order;
    });
    this.scene.add(...all);
  }

  ink(inks: Inks): void {
    for (const [name, colour] of Object.entries(inks) as [string, string][])
      // Colours of the page go to the screen as they are.
      (this.uniforms[name]!.value as Color).setStyle(colour, NoColorSpace);
  }

  stand(standing: readonly Standing[]): void {
    const { body } = this.model;
    const all = Float32Array.from(body, (of) => STANDS[standing[of]!]);
    this.stands.copyArray(all).needsUpdate = true;
    const onFaces = this.faces.getAttribute('stands') as BufferAttribute;
    onFaces.copyArray(Float32Array.from(this.facets.from, (k) => all[k]!)).needsUpdate = true;
  }

  /** @param fine  two points of the picture to one of the page: smoother, and slower */
  resize(wide: number, high: number, fine: boolean): void {
    this.size = { wide: Math.max(1, wide), high: Math.max(1, high) };
    this.renderer.setPixelRatio(fine ? 2 : 1);
    this.renderer.setSize(this.size.wide, this.size.high, false);
    for (const line of this.finer) line.visible = fine;
    STROKES.forEach(([x, y], which) => {
      this.shifts[which]!.value = [x / this.size.wide, y / this.size.high];
    });
  }

  /** @param zoom  1 shows all of it as it is taken apart now */
  draw(eye: Eye, apart: number, zoom: number): void {
    this.uniforms.apart!.value = apart;
    const { middle, halfWide, halfHigh } = this.reach(eye, apart);
    const { wide, high } = this.size;
    const perPixel = (Math.max(halfWide / wide, halfHigh / high) * ROOM * 2) / zoom;
    const [w, h] = [(perPixel * wide) / 2, (perPixel * high) / 2];
    Object.assign(this.camera, { left: -w, right: w, bottom: -h, top: h });
    this.camera.updateProjectionMatrix();
    const [, up, towards] = viewAxes(eye);
    const count = outlines(this.model, this.facets, towards, this.outline);
    const index = this.bends.getIndex()!;
    index.clearUpdateRanges();
    index.addUpdateRange(0, count);
    index.needsUpdate = true;
    this.bends.setDrawRange(0, count);
    this.camera.position.set(middle.x + towards[0], middle.y + towards[1], middle.z + towards[2]);
    this.camera.up.set(...up);
    this.camera.lookAt(middle);
    this.renderer.render(this.scene, this.camera);
  }

  /** How much of the picture it takes from an eye, about its own middle. */
  private reach(eye: Eye, apart: number) {
    const axes = viewAxes(eye);
    const { low, high } = boxAround(
      this.reaches.flatMap(({ corners, away }) =>
        corners.map((corner) => seen(axes, plus(corner, scaled(away, apart)))),
      ),
    );
    const mid = [0, 1, 2].map((axis) => (low[axis]! + high[axis]!) / 2);
    const middle = new Vector3();
    for (let axis = 0; axis < 3; axis++)
      middle.addScaledVector(new Vector3(...axes[axis]!), mid[axis]!);
    return {
      middle,
      halfWide: (high[0] - low[0]) / 2 || 0.1,
      halfHigh: (high[1] - low[1]) / 2 || 0.1,
    };
  }

  close(): void {
    for (const own of [this.faces, this.edges, this.bends]) own.dispose();
    for (const each of this.scene.children)
      if (each instanceof Mesh || each instanceof LineSegments)
        (each.material as ShaderMaterial).dispose();
    this.renderer.dispose();
  }
}

/** So that a turn asks a few corners of each thing, not all it is made of. */
function reachesOf({ positions, away, body, bodies }: Model) {
  const at = (of: Float32Array, k: number): Vector => [of[3 * k]!, of[3 * k + 1]!, of[3 * k + 2]!];
  const points = bodies.map((): Vector[] => []);
  const ways = bodies.map((): Vector => [0, 0, 0]);
  for (let k = 0; k < body.length; k++) {
    points[body[k]!]!.push(at(positions, k));
    ways[body[k]!] = at(away, k);
  }
  return points.map((own, k) => {
    const { low, high } = boxAround(own);
    const corners = [low[0], high[0]].flatMap((x) =>
      [low[1], high[1]].flatMap((y) => [low[2], high[2]].map((z): Vector => [x, y, z])),
    );
    return { corners, away: ways[k]! };
  });
}
