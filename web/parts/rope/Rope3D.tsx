/** The rope, turned by hand or by keys. Its vector picture stands until the first frame is drawn, and stays where there is no WebGL. */
import { useEffect, useImperativeHandle, useRef, useState, type PointerEvent, type Ref } from 'react';
import { KnotPicture, pictureUrl, type KnotPictureProps } from '../KnotPicture';
import { useTheme } from '../theme';
import { pickedIn, type Picked } from './picking';
import type { Framing, SceneComponent } from './framing';
import type { HandMarker, PalmShape, Turn } from './hands';
import type { RopeScene, Touched } from './scene';

export interface RopeHandle {
  flip: () => void;
}
interface Props {
  readonly name: string;
  /** its flat picture, for the time before the first frame and for the names of what is touched */
  readonly picture: Omit<KnotPictureProps, 'face' | 'size' | 'alt'>;
  readonly components: readonly SceneComponent[] | undefined;
  /** the eye in view too, not the knot alone */
  readonly whole: boolean;
  /** one frame of a motion in place of the shape */
  readonly motion?: readonly SceneComponent[] | undefined;
  /** what of a motion is looked at, where its shape does not tell */
  readonly frame?: Framing | undefined;
  /** where its strand will go, seen through */
  readonly ghost?: readonly SceneComponent[] | undefined;
  readonly hands?: readonly HandMarker[] | undefined;
  /** how it is turned before whoever looks turns it farther */
  readonly turn?: Turn | undefined;
  /** the hand in the rope */
  readonly palm?: PalmShape | null | undefined;
  readonly ref?: Ref<RopeHandle> | undefined;
  readonly onFace: (face: 'front' | 'back') => void;
  readonly onPick?: ((picked: Picked | null, touched: Touched | null) => void) | undefined;
}

// fetched beside the page's data, not after it; where that fails it is asked for again when it is needed
import('./scene').catch(() => undefined);

/** A press that moves no farther than this is a touch, CSS pixels. */
const STILL_PX = 5;
const RADIANS_PER_PX = 0.011;

export function Rope3D({
  name,
  picture,
  components,
  whole,
  motion,
  frame,
  ghost,
  hands,
  turn,
  palm = null,
  ref,
  onFace,
  onPick,
}: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const scene = useRef<RopeScene | null>(null);
  const [ready, setReady] = useState(false);
  const [drawn, setDrawn] = useState(false);
  const [face, setFace] = useState<'front' | 'back'>('front');
  const theme = useTheme();
  const pointers = useRef(new Map<number, { x: number; y: number }>());
  const moved = useRef(0);

  const tellFace = () => {
    const near = scene.current?.nearFace;
    if (!near) return;
    setFace(near);
    onFace(near);
  };

  // one scene for the life of the canvas: its WebGL context cannot be had twice
  useEffect(() => {
    const element = canvas.current!;
    let gone = false;
    let made: RopeScene | null = null;
    let observer: ResizeObserver | null = null;
    void import('./scene').then(({ RopeScene: Scene }) => {
      if (gone) return;
      try {
        made = new Scene(element);
      } catch {
        return; // no WebGL: the vector picture stays
      }
      scene.current = made;
      observer = new ResizeObserver(() => made?.resize());
      observer.observe(element);
      setReady(true);
    });
    return () => {
      gone = true;
      observer?.disconnect();
      made?.dispose();
      scene.current = null;
    };
  }, []);

  const still = motion === undefined;
  /** what a motion is looked at in is told: its shape need not be drawn in full first */
  const told = !still && frame !== undefined;
  const framed = useRef(false);
  useEffect(() => {
    // a motion too is seen in the frame of what it comes to
    if (!ready || !components || (!still && framed.current)) return;
    framed.current = true;
    if (!told) scene.current?.show(components, theme, whole);
    // the picture below is taken away only once this is drawn
    const next = requestAnimationFrame(() => setDrawn(true));
    return () => cancelAnimationFrame(next);
  }, [ready, components, theme, still, told, whole]);
  useEffect(() => {
    if (ready) scene.current?.guides.showGhost(ghost ?? [], theme);
  }, [ready, theme, ghost]);
  useEffect(() => {
    if (!ready || !motion) return;
    scene.current?.guides.showHands(hands ?? [], theme);
    scene.current?.guides.showPalm(palm, theme);
    scene.current?.showMoving(motion, theme, frame, turn);
  }, [ready, motion, theme, frame, hands, ghost, turn, palm]);

  const flip = () => {
    const next = face === 'front' ? 'back' : 'front';
    setFace(next);
    onFace(next);
    scene.current?.face(next);
  };
  useImperativeHandle(ref, () => ({ flip }));

  const touch = async (e: PointerEvent<HTMLCanvasElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    const touched = scene.current?.touch(e.clientX - box.left, e.clientY - box.top) ?? null;
    if (!touched || !onPick) return onPick?.(null, null);
    const near = scene.current?.nearFace ?? 'front';
    const svg = await fetch(pictureUrl({ ...picture, face: near, size: 340, alt: '' }, theme)).then(
      (reply) => (reply.ok ? reply.text() : null),
      () => null,
    );
    onPick(svg === null ? null : pickedIn(svg, near, touched), touched);
  };
  const move = (e: PointerEvent<HTMLCanvasElement>) => {
    const was = pointers.current.get(e.pointerId);
    if (!was) return;
    const now = { x: e.clientX, y: e.clientY };
    moved.current += Math.hypot(now.x - was.x, now.y - was.y);
    const other = [...pointers.current.entries()].find(([id]) => id !== e.pointerId)?.[1];
    if (other)
      scene.current?.zoomBy(
        Math.hypot(now.x - other.x, now.y - other.y) / (Math.hypot(was.x - other.x, was.y - other.y) || 1),
      );
    else if (moved.current > STILL_PX)
      scene.current?.turnBy((now.x - was.x) * RADIANS_PER_PX, (now.y - was.y) * RADIANS_PER_PX);
    pointers.current.set(e.pointerId, now);
    tellFace();
  };
  const up = (e: PointerEvent<HTMLCanvasElement>, touches: boolean) => {
    if (touches && pointers.current.size === 1 && moved.current <= STILL_PX && still) void touch(e);
    pointers.current.delete(e.pointerId);
  };
  return (
    <>
      {drawn ? null : (
        <div className="cold d-grid" style={{ placeItems: 'center' }}>
          <KnotPicture {...picture} face={face} size={340} alt={`${name}, ${face}`} />
        </div>
      )}
      <canvas
        ref={canvas}
        tabIndex={0}
        role="img"
        aria-label={`${name}, ${picture.state ?? 'tight'}, turned by hand; the ${face} faces you. Arrow keys turn it, f turns it over.`}
        style={{ opacity: drawn ? 1 : 0 }}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          if (pointers.current.size === 0) moved.current = 0;
          pointers.current.set(e.pointerId, { x: e.clientX, y: e.clientY });
        }}
        onPointerMove={move}
        onPointerUp={(e) => up(e, true)}
        onPointerCancel={(e) => up(e, false)}
        onKeyDown={(e) => {
          const step = 0.2;
          const turn = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[
            e.key
          ];
          if (e.key === '+' || e.key === '-') scene.current?.zoomBy(e.key === '+' ? 1.15 : 1 / 1.15);
          else if (turn) {
            scene.current?.turnBy(turn[0]!, turn[1]!);
            tellFace();
          } else return;
          e.preventDefault();
          e.stopPropagation();
        }}
      />
    </>
  );
}
