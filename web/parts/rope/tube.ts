/** The tube of a rope as a three.js geometry. */
import { BufferGeometry, Float32BufferAttribute, Uint32BufferAttribute } from 'three';
import { tubeMesh, type TubeMesh, type TubeSettings } from '../../../core/picture/tubeMesh';
import type { Point3 } from '../../../core/curve';

export interface Tube {
  readonly geometry: BufferGeometry;
  readonly rings: number;
  readonly sides: number;
}

/** @param points ring centres, evenly spaced */
export function tube(points: readonly Point3[], settings: TubeSettings): Tube {
  const mesh: TubeMesh = tubeMesh(points, settings);
  const geometry = new BufferGeometry();
  geometry.setIndex(new Uint32BufferAttribute(mesh.index, 1));
  geometry.setAttribute('position', new Float32BufferAttribute(mesh.position, 3));
  geometry.setAttribute('normal', new Float32BufferAttribute(mesh.normal, 3));
  geometry.setAttribute('uv', new Float32BufferAttribute(mesh.uv, 2));
  geometry.setAttribute('color', new Float32BufferAttribute(mesh.colour, 3));
  return { geometry, rings: mesh.rings, sides: mesh.sides };
}
