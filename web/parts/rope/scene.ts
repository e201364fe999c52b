/**
 * The turning rope. Draws on demand only: while it moves in low quality, 150 ms after the last input one
 * frame in full quality. Lights turn with the camera. No loop runs when nothing moves.
 */
import {
  ACESFilmicToneMapping,
  CircleGeometry,
  Color,
  DirectionalLight,
  Group,
  HemisphereLight,
  Mesh,
  MeshBasicMaterial,
  MeshLambertMaterial,
  MeshStandardMaterial,
  PerspectiveCamera,
  Raycaster,
  Scene,
  TorusGeometry,
  Vector2,
  Vector3,
  WebGLRenderer,
} from 'three';
import type { Point3 } from '../../../core/curve';
import { PICTURE_THEMES } from '../../../core/picture/tokens';
import { isRope } from '../../../core/picture/component';
import { componentMesh, finePoints, occluders } from '../../../core/picture/tubeMesh';
import { framing, type Framing, type SceneComponent } from './framing';
import { Guides } from './guides';
import type { Turn } from './hands';
import { Materials, type Theme } from './materials';
import { tube, type Tube } from './tube';

/** A place on a shape that was touched. */
export interface Touched {
  readonly component: string;
  /** point index, with its part to the next */
  readonly at: number;
  readonly point: Point3;
}

const FULL = { step: 0.16, sides: 20 };
const MOVING = { step: 0.32, sides: 10 };
/** a frame of a motion, made anew each time */
const PLAYED = { step: 0.45, sides: 8 };
/** the same where it stands still */
const AT_REST = { step: 0.24, sides: 14 };
type Quality = typeof PLAYED;
const REST_MS = 150;
const FIELD_OF_VIEW_DEG = 24;
const MOVING_PIXELS = 0.75;
/** at rest finer than the screen, in place of smoothing edges */
const REST_PIXELS = 1.75;
const MOST_PIXELS = 2;

interface Drawn {
  readonly component: SceneComponent;
  readonly theme: Theme;
  readonly full: boolean;
  readonly played: Quality;
  readonly still: Mesh;
  readonly moving: Mesh;
  readonly rings: Tube;
  readonly ends: readonly Mesh[];
}

const SAME = 1e-4;
/** Whether two lie alike, point by point. */
const sameShape = (a: SceneComponent, b: SceneComponent): boolean =>
  !a.tape &&
  !b.tape &&
  a.name === b.name &&
  a.diameter === b.diameter &&
  a.points.length === b.points.length &&
  a.points.every((p, i) => p.every((v, k) => Math.abs(v - b.points[i]![k]!) < SAME));

export class RopeScene {
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new PerspectiveCamera(FIELD_OF_VIEW_DEG, 1, 1, 400);
  private readonly turned = new Group();
  private readonly shape = new Group();
  private readonly mark: Mesh;
  private drawn: Drawn[] = [];
  /** how a motion is looked at; a shape straight on, all of it */
  private seenFrom: Turn | null = null;
  private readonly materials = new Materials();
  /** what is shown beside the rope itself */
  readonly guides = new Guides(this.shape, this.materials);
  private yaw = 0;
  private pitch = 0;
  private zoom = 1;
  private frame: Framing = { centreY: 0, height: 20, width: 10 };
  private waiting = 0;
  private rest = 0;
  private disposed = false;

  constructor(canvas: HTMLCanvasElement) {
    this.renderer = new WebGLRenderer({
      canvas,
      antialias: false,
      alpha: true,
      powerPreference: 'low-power',
      preserveDrawingBuffer: true,
    });
    this.renderer.toneMapping = ACESFilmicToneMapping;
    // asking the driver after each shader waits for it
    this.renderer.debug.checkShaderErrors = false;
    this.scene.add(this.turned, this.camera);
    this.turned.add(this.shape);
    const key = new DirectionalLight(new Color('#fff1dc'), 2.9);
    key.position.set(-6, 9, 8);
    const rim = new DirectionalLight(new Color('#bcd4ec'), 1.1);
    rim.position.set(7, 2, -9);
    this.camera.add(key, rim);
    this.scene.add(new HemisphereLight(new Color('#f4f1ea'), new Color('#6b5d4b'), 1.35));
    this.mark = new Mesh(
      new TorusGeometry(0.72, 0.09, 8, 40),
      new MeshBasicMaterial({ depthTest: false, transparent: true }),
    );
    this.mark.renderOrder = 1;
    this.mark.visible = false;
    this.shape.add(this.mark);
  }

  /** Takes a shape; the view keeps its turn. @param whole the eye and short ends in view too, not the knot alone */
  show(components: readonly SceneComponent[], theme: Theme, whole: boolean): void {
    this.frame = framing(components, whole);
    this.seenFrom = null;
    this.build(components, theme, true);
    this.draw(true);
  }

  /**
   * One frame of a motion: quickly made, without occlusion; the view stays on the knot.
   * @param frame what is looked at, where it is not told by the shape. @param turn how it is turned before whoever looks turns it farther
   */
  showMoving(components: readonly SceneComponent[], theme: Theme, frame?: Framing, turn: Turn | null = null): void {
    this.frame = frame ?? framing(components, false);
    this.seenFrom = turn;
    this.build(components, theme, false);
    clearTimeout(this.rest);
    this.draw(false);
    // where it stands still it is drawn again, finer
    this.rest = window.setTimeout(() => {
      this.build(components, theme, false, AT_REST);
      this.draw(true);
    }, REST_MS);
  }

  private build(components: readonly SceneComponent[], theme: Theme, full: boolean, played = PLAYED): void {
    this.renderer.toneMappingExposure = theme === 'paper' ? 1.16 : 1.05;
    // from frame to frame of a motion what stands still stays as it was made
    const kept = full
      ? []
      : this.takeOut(
          (d) =>
            d.theme === theme && !d.full && d.played === played && components.some((c) => sameShape(c, d.component)),
        );
    this.clear();
    const colours = PICTURE_THEMES[theme];
    (this.mark.material as MeshBasicMaterial).color.set(colours.mark);
    const others = full ? occluders(components) : [];
    for (const c of components) {
      const before = kept.find((d) => sameShape(c, d.component));
      if (before) {
        this.drawn.push(before);
        continue;
      }
      const rope = isRope(c);
      const { colour: map, bump } = this.materials.sheathFor(theme, c.role);
      const of = (quality: typeof FULL) => tube(componentMesh(c, theme, others, quality));
      const low = of(full ? MOVING : played);
      const high = full && !c.tape ? of(FULL) : low;
      const kind = rope ? c.role : 'thing';
      const still = new Mesh(
        high.geometry,
        this.materials.of(`still ${kind} ${theme}`, () =>
          rope
            ? new MeshStandardMaterial({
                map,
                bumpMap: bump,
                bumpScale: 3,
                roughness: 0.84,
                metalness: 0,
                vertexColors: true,
              })
            : new MeshStandardMaterial({ roughness: 0.5, metalness: 0.35, vertexColors: true }),
        ),
      );
      const moving = new Mesh(
        low.geometry,
        this.materials.of(
          `moving ${kind} ${theme}`,
          () => new MeshLambertMaterial(rope ? { map, vertexColors: true } : { vertexColors: true }),
        ),
      );
      still.name = moving.name = c.name;
      this.shape.add(still, moving);
      const ends: Mesh[] = [];
      if (rope && !c.closed && !c.tape)
        ends.push(this.cutEnd(finePoints(c.points, false, MOVING.step), c.diameter / 2, colours.core));
      if (c.role === 'post')
        for (const line of [c.points, [...c.points].reverse()])
          ends.push(this.cutEnd(line, c.diameter / 2, colours.object));
      for (const end of ends) this.shape.add(end);
      this.drawn.push({ component: c, theme, full, played, still, moving, rings: low, ends });
    }
  }
  /** Takes out of what is drawn those that may stay. */
  private takeOut(which: (d: Drawn) => boolean): Drawn[] {
    const out = this.drawn.filter(which);
    this.drawn = this.drawn.filter((d) => !out.includes(d));
    return out;
  }

  private clear(): void {
    for (const mesh of this.drawn.flatMap((d) => [d.still, d.moving, ...d.ends])) {
      this.shape.remove(mesh);
      mesh.geometry.dispose();
    }
    this.drawn = [];
    this.mark.visible = false;
  }

  private cutEnd(points: readonly Point3[], radius: number, core: string): Mesh {
    const end = new Vector3(...points.at(-1)!);
    const out = end
      .clone()
      .sub(new Vector3(...(points.at(-3) ?? points[0]!)))
      .normalize();
    const disc = new Mesh(
      new CircleGeometry(radius * 0.98, 24),
      this.materials.of(`end ${core}`, () => new MeshLambertMaterial({ color: core })),
    );
    disc.position.copy(end).addScaledVector(out, 0.01);
    disc.lookAt(end.clone().add(out));
    return disc;
  }

  turnBy(yaw_rad: number, pitch_rad: number): void {
    this.yaw += yaw_rad;
    this.pitch = Math.max(-1.35, Math.min(1.35, this.pitch + pitch_rad));
    this.moved();
  }
  /** Shows a face squarely. */
  face(which: 'front' | 'back'): void {
    this.yaw = which === 'front' ? 0 : Math.PI;
    this.pitch = 0;
    this.moved();
  }
  zoomBy(factor: number): void {
    this.zoom = Math.max(0.6, Math.min(4, this.zoom * factor));
    this.moved();
  }
  resize(): void {
    this.draw(true);
  }
  /** Which face is nearer to the viewer. */
  get nearFace(): 'front' | 'back' {
    return Math.cos(this.yaw) >= 0 ? 'front' : 'back';
  }

  /** What lies under a place of the canvas, from its upper left corner in CSS pixels; a ring is laid round it. */
  touch(x_px: number, y_px: number): Touched | null {
    const { clientWidth, clientHeight } = this.renderer.domElement;
    const ray = new Raycaster();
    this.place();
    ray.setFromCamera(new Vector2((2 * x_px) / clientWidth - 1, 1 - (2 * y_px) / clientHeight), this.camera);
    const [hit] = ray.intersectObjects(
      this.drawn.map((d) => d.moving),
      false,
    );
    const under = hit && this.drawn.find((d) => d.moving === hit.object);
    this.mark.visible = Boolean(under);
    if (!under) {
      this.moved();
      return null;
    }
    const { component: c, rings } = under;
    const ring = Math.floor(under.moving.geometry.index!.getX(3 * hit.faceIndex!) / (rings.sides + 1));
    const at = (ring / (rings.rings - 1)) * (c.points.length - (c.closed ? 0 : 1));
    const i = Math.min(c.points.length - 2, Math.floor(at));
    const [a, b] = [new Vector3(...c.points[i]!), new Vector3(...c.points[i + 1]!)];
    const point = a.clone().lerp(b, Math.min(1, at - i));
    this.mark.position.copy(point);
    this.mark.scale.setScalar(c.diameter);
    this.mark.quaternion.setFromUnitVectors(new Vector3(0, 0, 1), b.sub(a).normalize());
    this.moved();
    return { component: c.name, at, point: [point.x, point.y, point.z] };
  }

  private moved(): void {
    if (this.waiting === 0)
      this.waiting = requestAnimationFrame(() => {
        this.waiting = 0;
        this.draw(false);
      });
    clearTimeout(this.rest);
    this.rest = window.setTimeout(() => this.draw(true), REST_MS);
  }

  /** Puts camera and shape where they stand now. */
  private place(): void {
    const { clientWidth: w, clientHeight: h } = this.renderer.domElement;
    const { centreY, height, width } = this.seenFrom ? { ...this.frame, ...this.seenFrom } : this.frame;
    const { yaw_rad, pitch_rad, right, up } = this.seenFrom ?? { yaw_rad: 0, pitch_rad: 0, right: 0, up: 0 };
    this.camera.aspect = w / h;
    const half = Math.tan((FIELD_OF_VIEW_DEG * Math.PI) / 360);
    // looked at from behind, right is left
    this.camera.position.set(
      Math.sign(Math.cos(this.yaw)) * right,
      centreY + up,
      Math.max(height / 2, width / 2 / this.camera.aspect) / half / this.zoom + 3,
    );
    this.camera.updateProjectionMatrix();
    this.guides.scaleHands(height);
    this.turned.position.set(0, centreY, 0);
    this.turned.rotation.set(this.pitch + pitch_rad, this.yaw + yaw_rad, 0, 'XYZ');
    this.shape.position.set(0, -centreY, 0);
    this.scene.updateMatrixWorld();
    this.camera.updateMatrixWorld();
  }

  private draw(full: boolean): void {
    if (this.disposed) return;
    const { clientWidth: w, clientHeight: h } = this.renderer.domElement;
    if (w === 0 || h === 0) return;
    for (const d of this.drawn) {
      d.still.visible = full;
      d.moving.visible = !full;
    }
    this.renderer.setPixelRatio(
      full ? Math.max(REST_PIXELS, Math.min(MOST_PIXELS, window.devicePixelRatio)) : MOVING_PIXELS,
    );
    this.renderer.setSize(w, h, false);
    this.place();
    const begun = performance.now();
    this.renderer.render(this.scene, this.camera);
    if (window.idiomFrames) {
      // drawing is done when its result can be read
      const gl = this.renderer.getContext();
      gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, new Uint8Array(4));
      window.idiomFrames.push({ full, ms: performance.now() - begun });
    }
  }

  dispose(): void {
    this.disposed = true;
    this.guides.dispose();
    cancelAnimationFrame(this.waiting);
    clearTimeout(this.rest);
    this.clear();
    this.materials.dispose();
    this.mark.geometry.dispose();
    (this.mark.material as MeshBasicMaterial).dispose();
    this.renderer.dispose();
    this.renderer.forceContextLoss();
  }
}

declare global {
  interface Window {
    /** set by whoever measures frame times */
    idiomFrames?: { full: boolean; ms: number }[];
  }
}
