/**
 * The turning rope. Draws on demand only: while it moves in low quality, 150 ms after the last input one
 * frame in full quality. Lights turn with the camera. No loop runs when nothing moves.
 */
import {
  ACESFilmicToneMapping, CircleGeometry, Color, DirectionalLight, Group, HemisphereLight, Mesh, MeshLambertMaterial, MeshStandardMaterial, PerspectiveCamera, Scene, Vector3, WebGLRenderer, type Material,
} from 'three';
import type { Point3 } from '../../../core/curve';
import { PICTURE_THEMES } from '../../../core/picture/tokens';
import { braid, type Braid } from './braid';
import { finePoints, tube } from './tube';

export interface SceneComponent {
  readonly name: string;
  readonly role: string;
  readonly closed: boolean;
  readonly diameter: number;
  readonly points: readonly Point3[];
  readonly marks?: { readonly standing?: readonly [number, number] | undefined; readonly tail?: readonly [number, number] | undefined; readonly eye?: number | undefined } | undefined;
}

const STEP = 0.16;
const REST_MS = 150;
const FIELD_OF_VIEW_DEG = 24;

export class RopeScene {
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new PerspectiveCamera(FIELD_OF_VIEW_DEG, 1, 1, 400);
  private readonly turned = new Group();
  private readonly full: { mesh: Mesh; still: Material; moving: Material }[] = [];
  private sheath: Braid | null = null;
  private yaw = 0;
  private pitch = 0;
  private zoom = 1;
  private centreY = 0;
  private height = 20;
  private width = 10;
  private frame = 0;
  private rest = 0;
  private disposed = false;

  constructor(canvas: HTMLCanvasElement) {
    this.renderer = new WebGLRenderer({ canvas, antialias: false, alpha: true, powerPreference: 'low-power', preserveDrawingBuffer: true });
    this.renderer.toneMapping = ACESFilmicToneMapping;
    this.scene.add(this.turned, this.camera);
    const key = new DirectionalLight(new Color('#fff1dc'), 2.9);
    key.position.set(-6, 9, 8);
    const rim = new DirectionalLight(new Color('#bcd4ec'), 1.1);
    rim.position.set(7, 2, -9);
    this.camera.add(key, rim);
    this.scene.add(new HemisphereLight(new Color('#f4f1ea'), new Color('#6b5d4b'), 1.35));
  }

  /** Takes a shape; the view keeps its turn. */
  show(components: readonly SceneComponent[], knotTop: number, theme: 'paper' | 'headlamp'): void {
    this.renderer.toneMappingExposure = theme === 'paper' ? 1.16 : 1.05;
    for (const { mesh, still, moving } of this.full) {
      mesh.geometry.dispose();
      still.dispose();
      moving.dispose();
    }
    this.full.length = 0;
    this.sheath?.colour.dispose();
    this.sheath?.bump.dispose();
    this.turned.clear();
    const colours = PICTURE_THEMES[theme];
    const fine = components.map((c) => finePoints(c.points, c.closed, STEP));
    const others = fine.flat();
    const sheath = (this.sheath = braid([colours.tracer, colours.tracerTail]));
    components.forEach((c, i) => {
      const rope = c.role !== 'ring' && c.role !== 'post';
      const points = fine[i]!;
      const last = c.points.length - 1;
      const geometry = tube(points, {
        closed: c.closed, radius: c.diameter / 2, sides: 20, step: STEP, tint: rope ? [colours.standing, colours.tail] : [colours.object, colours.object],
        drift: c.marks?.standing && c.marks.tail ? [c.marks.standing[1] / last, c.marks.tail[0] / last] : [0, 1], others: rope ? others : [],
      });
      const still = rope
        ? new MeshStandardMaterial({ map: sheath.colour, bumpMap: sheath.bump, bumpScale: 3, roughness: 0.84, metalness: 0, vertexColors: true })
        : new MeshStandardMaterial({ roughness: 0.5, metalness: 0.35, vertexColors: true });
      const moving = rope ? new MeshLambertMaterial({ map: sheath.colour, vertexColors: true }) : new MeshLambertMaterial({ vertexColors: true });
      const mesh = new Mesh(geometry, still);
      mesh.name = c.name;
      this.turned.add(mesh);
      this.full.push({ mesh, still, moving });
      if (rope && !c.closed) this.turned.add(this.cutEnd(points, c.diameter / 2, colours.core));
    });
    const shown = others.filter((p) => p[1] < knotTop + 3.6);
    const low = Math.min(...shown.map((p) => p[1])) - 1.2;
    this.height = knotTop + 3.2 - low;
    this.centreY = (knotTop + 3.2 + low) / 2;
    this.width = 2 * (Math.max(...shown.map((p) => Math.hypot(p[0], p[2]))) + 1);
    this.draw(true);
  }

  private cutEnd(points: readonly Point3[], radius: number, core: string): Mesh {
    const end = new Vector3(...points.at(-1)!);
    const out = end.clone().sub(new Vector3(...points.at(-3)!)).normalize();
    const disc = new Mesh(new CircleGeometry(radius * 0.98, 24), new MeshLambertMaterial({ color: core }));
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

  private moved(): void {
    if (this.frame === 0)
      this.frame = requestAnimationFrame(() => {
        this.frame = 0;
        this.draw(false);
      });
    clearTimeout(this.rest);
    this.rest = window.setTimeout(() => this.draw(true), REST_MS);
  }

  private draw(full: boolean): void {
    if (this.disposed) return;
    const canvas = this.renderer.domElement;
    const { clientWidth: w, clientHeight: h } = canvas;
    if (w === 0 || h === 0) return;
    for (const f of this.full) f.mesh.material = full ? f.still : f.moving;
    this.renderer.setPixelRatio(full ? Math.max(1.5, Math.min(2, window.devicePixelRatio)) : 0.6);
    this.renderer.setSize(w, h, false);
    this.camera.aspect = w / h;
    const half = Math.tan((FIELD_OF_VIEW_DEG * Math.PI) / 360);
    this.camera.position.set(0, this.centreY, Math.max(this.height / 2, this.width / 2 / this.camera.aspect) / half / this.zoom + 3);
    this.camera.updateProjectionMatrix();
    this.turned.position.set(0, this.centreY, 0);
    this.turned.rotation.set(this.pitch, this.yaw, 0, 'XYZ');
    for (const child of this.turned.children) if (!child.userData['shifted']) {
      child.userData['shifted'] = true;
      child.position.y -= this.centreY;
    }
    this.renderer.render(this.scene, this.camera);
  }

  dispose(): void {
    this.disposed = true;
    cancelAnimationFrame(this.frame);
    clearTimeout(this.rest);
    for (const { mesh, still, moving } of this.full) {
      mesh.geometry.dispose();
      still.dispose();
      moving.dispose();
    }
    this.renderer.dispose();
    this.renderer.forceContextLoss();
  }
}
