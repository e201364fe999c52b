/** The rope, turned by hand or by keys. Its vector picture stands until the first frame is drawn, and stays where there is no WebGL. */
import { useEffect, useImperativeHandle, useRef, useState, type PointerEvent, type Ref } from 'react';
import { KnotPicture } from '../KnotPicture';
import { useTheme } from '../theme';
import type { RopeScene, SceneComponent } from './scene';

export interface RopeHandle {
  flip: () => void;
}
interface Props {
  readonly knot: string;
  readonly name: string;
  readonly state: 'laid' | 'dressed' | 'tight';
  readonly ring: boolean;
  readonly components: readonly SceneComponent[] | undefined;
  readonly ref?: Ref<RopeHandle>;
  readonly onFace: (face: 'front' | 'back') => void;
}

export function Rope3D({ knot, name, state, ring, components, ref, onFace }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const scene = useRef<RopeScene | null>(null);
  const [ready, setReady] = useState(false);
  const [drawn, setDrawn] = useState(false);
  const [face, setFace] = useState<'front' | 'back'>('front');
  const theme = useTheme();
  const pointers = useRef(new Map<number, { x: number; y: number }>());

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
    const observer = new ResizeObserver(() => made?.resize());
    void import('./scene').then(({ RopeScene: Scene }) => {
      if (gone) return;
      try {
        made = new Scene(element);
      } catch {
        return; // no WebGL: the vector picture stays
      }
      scene.current = made;
      observer.observe(element);
      setReady(true);
    });
    return () => {
      gone = true;
      observer.disconnect();
      made?.dispose();
      scene.current = null;
    };
  }, []);

  useEffect(() => {
    if (!ready || !components) return;
    const rope = components[0]!;
    const top = rope.marks?.standing ? Math.max(...rope.points.slice(rope.marks.standing[1], rope.marks.eye).map((p) => p[1])) : 4;
    scene.current?.show(components, Math.min(top, 9), theme);
    // the picture below is taken away only once this is drawn
    const next = requestAnimationFrame(() => setDrawn(true));
    return () => cancelAnimationFrame(next);
  }, [ready, components, theme]);

  const flip = () => {
    const next = face === 'front' ? 'back' : 'front';
    setFace(next);
    onFace(next);
    scene.current?.face(next);
  };
  useImperativeHandle(ref, () => ({ flip }));

  const move = (e: PointerEvent<HTMLCanvasElement>) => {
    const was = pointers.current.get(e.pointerId);
    if (!was) return;
    const now = { x: e.clientX, y: e.clientY };
    const other = [...pointers.current.entries()].find(([id]) => id !== e.pointerId)?.[1];
    if (other) scene.current?.zoomBy(Math.hypot(now.x - other.x, now.y - other.y) / (Math.hypot(was.x - other.x, was.y - other.y) || 1));
    else scene.current?.turnBy((now.x - was.x) * 0.011, (now.y - was.y) * 0.011);
    pointers.current.set(e.pointerId, now);
    tellFace();
  };
  const up = (e: PointerEvent) => void pointers.current.delete(e.pointerId);
  return (
    <>
      {drawn ? null : <div className="cold d-grid" style={{ placeItems: 'center' }}><KnotPicture knot={knot} face={face} state={state} harness={ring ? 'both' : undefined} size={340} alt={`${name}, ${face}`} /></div>}
      <canvas
        ref={canvas}
        tabIndex={0}
        role="img"
        aria-label={`${name}, ${state}, turned by hand; the ${face} faces you. Arrow keys turn it, f turns it over.`}
        style={{ opacity: drawn ? 1 : 0 }}
        onPointerDown={(e) => { e.currentTarget.setPointerCapture(e.pointerId); pointers.current.set(e.pointerId, { x: e.clientX, y: e.clientY }); }}
        onPointerMove={move}
        onPointerUp={up}
        onPointerCancel={up}
        onKeyDown={(e) => {
          const step = 0.2;
          const turn = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[e.key];
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
