/** A shape as binary glTF 2.0: each component a tube with tints and occlusion in its vertex colours. */
import { Document, NodeIO } from '@gltf-transform/core';
import type { ShapeComponent } from '../../core/knots/shape/stored';
import { componentMesh, isRope, occluders } from '../../core/picture';

/** glTF counts in metres: one rope diameter becomes that of a 10 mm rope. */
export const METRES_PER_ROPE_DIAMETER = 0.01;
const STEP = 0.25;
const SIDES = 14;

export async function shapeGlb(components: readonly ShapeComponent[], name: string): Promise<Uint8Array> {
  const document = new Document();
  document.getRoot().getAsset().generator = 'Idiom';
  const buffer = document.createBuffer();
  const scene = document
    .createScene(name)
    .setExtras({ unit: 'rope-diameter', metres_per_unit: METRES_PER_ROPE_DIAMETER });
  const others = occluders(components);
  for (const c of components) {
    const rope = isRope(c);
    const mesh = componentMesh(c, 'paper', others, { step: STEP, sides: SIDES });
    const accessor = (array: Float32Array<ArrayBuffer>, type: 'VEC2' | 'VEC3') =>
      document.createAccessor().setType(type).setArray(array).setBuffer(buffer);
    const primitive = document
      .createPrimitive()
      .setAttribute('POSITION', accessor(mesh.position, 'VEC3'))
      .setAttribute('NORMAL', accessor(mesh.normal, 'VEC3'))
      .setAttribute('TEXCOORD_0', accessor(mesh.uv, 'VEC2'))
      .setAttribute('COLOR_0', accessor(mesh.colour, 'VEC3'))
      .setIndices(document.createAccessor().setType('SCALAR').setArray(mesh.index).setBuffer(buffer))
      .setMaterial(
        document
          .createMaterial(rope ? 'rope' : 'metal')
          .setRoughnessFactor(rope ? 0.85 : 0.5)
          .setMetallicFactor(rope ? 0 : 0.4),
      );
    scene.addChild(
      document
        .createNode(c.name)
        .setMesh(document.createMesh(c.name).addPrimitive(primitive))
        .setScale([METRES_PER_ROPE_DIAMETER, METRES_PER_ROPE_DIAMETER, METRES_PER_ROPE_DIAMETER]),
    );
  }
  return new NodeIO().writeBinary(document);
}
