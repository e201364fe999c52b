/** The mesh of a rope or tape as a three.js geometry. */
import { BufferGeometry, Float32BufferAttribute, Uint32BufferAttribute } from 'three';
import type { TubeMesh } from '../../../core/picture/mesh';

export interface Tube {
  readonly geometry: BufferGeometry;
  readonly rings: number;
  readonly sides: number;
}

export function tube(mesh: TubeMesh): Tube {
  const geometry = new BufferGeometry();
  geometry.setIndex(new Uint32BufferAttribute(mesh.index, 1));
  geometry.setAttribute('position', new Float32BufferAttribute(mesh.position, 3));
  geometry.setAttribute('normal', new Float32BufferAttribute(mesh.normal, 3));
  geometry.setAttribute('uv', new Float32BufferAttribute(mesh.uv, 2));
  geometry.setAttribute('color', new Float32BufferAttribute(mesh.colour, 3));
  return { geometry, rings: mesh.rings, sides: mesh.sides };
}
