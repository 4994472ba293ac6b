import {
  BufferAttribute,
  BufferGeometry,
  BackSide,
  Color,
  DoubleSide,
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
/** Outlines are so many points wide; the picture leaves so much room round itself. */
const OUTLINE_PX = 1.15;
const ROOM = 1.06;
const DEEP_M = 60;

const MOVED = /* glsl */ `
  attribute vec3 away;
  attribute float stands;
  attribute float lamp;
  uniform float apart;
  varying float vStands;
  varying float vLamp;
  vec3 moved() { vStands = stands; vLamp = lamp; return position + away * apart; }
`;

/** Paper with a breath of shade where it turns away, so that a face is told from its neighbour. */
const FACE = {
  vertexShader: /* glsl */ `${MOVED}
    varying vec3 vAt;
    void main() {
      vec4 at = modelViewMatrix * vec4(moved(), 1.0);
      vAt = at.xyz;
      gl_Position = projectionMatrix * at;
    }`,
  fragmentShader: /* glsl */ `
    uniform vec3 sheet; uniform vec3 wash; uniform vec3 glass; uniform vec3 tape; uniform vec3 ink;
    varying float vStands; varying float vLamp; varying vec3 vAt;
    void main() {
      if (vStands > 1.5) discard;
      vec3 normal = normalize(cross(dFdx(vAt), dFdy(vAt)));
      float turned = 1.0 - abs(dot(normal, normalize(vec3(0.35, 0.55, 0.76))));
      vec3 own = vLamp > 1.5 ? mix(sheet, tape, 0.55) : mix(sheet, glass, vLamp);
      vec3 paper = vStands > 0.5 ? wash : own;
      gl_FragColor = vec4(mix(paper, ink, 0.13 * turned), 1.0);
    }`,
};

/** The same, grown by a hair on the screen and seen from inside: what stands out is its outline. */
const OUTLINE = {
  vertexShader: /* glsl */ `${MOVED}
    uniform vec2 pixel;
    void main() {
      vec4 at = projectionMatrix * modelViewMatrix * vec4(moved(), 1.0);
      vec3 out3 = normalMatrix * normal;
      vec2 way = length(out3.xy) > 0.0001 ? normalize(out3.xy) : vec2(0.0);
      at.xy += way * pixel;
      gl_Position = at;
    }`,
  fragmentShader: /* glsl */ `
    uniform vec3 ink; uniform vec3 brass;
    varying float vStands; varying float vLamp;
    void main() {
      if (vStands > 1.5) discard;
      gl_FragColor = vec4(vStands > 0.5 ? brass : ink, 1.0);
    }`,
};

/** Edges: inked where they are seen; light where something lies before them or they are still to come. */
const EDGE = {
  vertexShader: /* glsl */ `${MOVED}
    uniform float nearer;
    void main() {
      gl_Position = projectionMatrix * modelViewMatrix * vec4(moved(), 1.0);
      gl_Position.z -= nearer * gl_Position.w;
    }`,
  fragmentShader: /* glsl */ `
    uniform vec3 ink; uniform vec3 brass; uniform vec3 soft; uniform float hidden;
    varying float vStands; varying float vLamp;
    void main() {
      bool later = vStands > 1.5;
      if (hidden > 0.5 && later) discard;
      vec3 own = vStands > 0.5 && !later ? brass : (later ? soft : ink);
      float strength = hidden > 0.5 ? (vStands > 0.5 ? 0.45 : 0.12) : (later ? 0.3 : 1.0);
      gl_FragColor = vec4(own, strength);
    }`,
};

/** A light in three dimensions, inked like our drawings; nothing is drawn but when something changed. */
export class AssemblyScene {
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new OrthographicCamera(-1, 1, 1, -1, -DEEP_M, DEEP_M);
  private readonly uniforms: Record<string, IUniform>;
  private readonly geometry = new BufferGeometry();
  private readonly lines = new BufferGeometry();
  private readonly stands: BufferAttribute;
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
      pixel: { value: [0, 0] },
      ...Object.fromEntries(
        ['ink', 'soft', 'sheet', 'brass', 'wash', 'glass', 'tape'].map((name) => [
          name,
          { value: new Color() },
        ]),
      ),
    };
    this.stands = new BufferAttribute(new Float32Array(model.body.length), 1);
    const lamp = Float32Array.from(model.body, (at) => TINTS[model.bodies[at]!.matter] ?? 0);
    for (const [own, index] of [
      [this.geometry, model.triangles],
      [this.lines, model.edges],
    ] as const) {
      own.setAttribute('position', new BufferAttribute(model.positions, 3));
      own.setAttribute('away', new BufferAttribute(model.away, 3));
      own.setAttribute('lamp', new BufferAttribute(lamp, 1));
      own.setAttribute('stands', this.stands);
      own.setIndex(new BufferAttribute(index, 1));
    }
    // Corners are shared within a body: their normals lean over its edges, as its outline wants.
    this.geometry.computeVertexNormals();
    this.reaches = reachesOf(model);
    this.put();
  }

  private put(): void {
    const made = (
      given: { vertexShader: string; fragmentShader: string },
      more: Partial<ConstructorParameters<typeof ShaderMaterial>[0]> = {},
      own: Record<string, IUniform> = {},
    ) => new ShaderMaterial({ ...given, uniforms: { ...this.uniforms, ...own }, ...more });
    const faces = new Mesh(
      this.geometry,
      made(FACE, {
        side: DoubleSide,
        polygonOffset: true,
        polygonOffsetFactor: 1,
        polygonOffsetUnits: 2,
      }),
    );
    const outline = new Mesh(this.geometry, made(OUTLINE, { side: BackSide }));
    const edge = (hidden: boolean) =>
      new LineSegments(
        this.lines,
        made(
          EDGE,
          {
            transparent: true,
            depthWrite: false,
            depthFunc: hidden ? GreaterDepth : LessEqualDepth,
          },
          { hidden: { value: hidden ? 1 : 0 }, nearer: { value: hidden ? -0.00002 : 0.00002 } },
        ),
      );
    const all = [faces, outline, edge(true), edge(false)];
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
    for (let k = 0; k < body.length; k++) this.stands.setX(k, STANDS[standing[body[k]!]!]);
    this.stands.needsUpdate = true;
  }

  /** @param ratio  points of the picture to one of the page: finer is smoother, and slower */
  resize(wide: number, high: number, ratio: number): void {
    this.size = { wide: Math.max(1, wide), high: Math.max(1, high) };
    this.renderer.setPixelRatio(ratio);
    this.renderer.setSize(this.size.wide, this.size.high, false);
    this.uniforms.pixel!.value = [
      (2 * OUTLINE_PX) / this.size.wide,
      (2 * OUTLINE_PX) / this.size.high,
    ];
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
    this.geometry.dispose();
    this.lines.dispose();
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
