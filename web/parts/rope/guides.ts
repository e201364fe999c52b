/** What is shown beside the rope itself while it is tied: where a strand will go, what hands hold, the hand in the rope. */
import {
  CapsuleGeometry,
  type Group,
  Mesh,
  MeshBasicMaterial,
  MeshLambertMaterial,
  Sprite,
  SpriteMaterial,
  Vector3,
} from 'three';
import { isRope } from '../../../core/picture/component';
import { PICTURE_THEMES } from '../../../core/picture/tokens';
import { componentMesh } from '../../../core/picture/tubeMesh';
import type { SceneComponent } from './framing';
import { handDisc, type HandMarker, type PalmShape } from './hands';
import type { Materials, Theme } from './materials';
import { tube } from './tube';

/** where the rope lies already it hides its own ghost */
const GHOST_THINNER = 0.8;
const GHOST = { step: 0.45, sides: 8 };
/** a hand's marker is so small a part of what is seen */
const HANDS_IN_HEIGHT = 11;

export class Guides {
  private ghosts: Mesh[] = [];
  private handSprites: Sprite[] = [];
  private palm: Mesh | null = null;

  /** @param shape the group that turns with the rope */
  constructor(
    private readonly shape: Group,
    private readonly materials: Materials,
  ) {}

  /** A rope that is not there yet, seen through: where the strand will go. None takes it away. */
  showGhost(components: readonly SceneComponent[], theme: Theme): void {
    for (const g of this.ghosts) {
      this.shape.remove(g);
      g.geometry.dispose();
    }
    this.ghosts = components.filter(isRope).map((c) => {
      const seenThrough = this.materials.of(
        `ghost ${theme}`,
        () =>
          new MeshBasicMaterial({
            color: PICTURE_THEMES[theme].mark,
            transparent: true,
            opacity: 0.26,
            depthWrite: false,
          }),
      );
      const ghost = new Mesh(
        tube(componentMesh({ ...c, diameter: c.diameter * GHOST_THINNER }, theme, [], GHOST)).geometry,
        seenThrough,
      );
      ghost.renderOrder = 1;
      return ghost;
    });
    for (const g of this.ghosts) this.shape.add(g);
  }

  /** Plain markers for hands: a disc with a letter, in front of everything, facing the viewer. */
  showHands(hands: readonly HandMarker[], theme: Theme): void {
    // while it moves they only change their places
    const same =
      this.handSprites.length === hands.length &&
      hands.every(({ letter, moves }, k) => this.handSprites[k]!.name === `${letter} ${String(moves)} ${theme}`);
    if (!same) {
      for (const s of this.handSprites) {
        this.shape.remove(s);
        s.material.map?.dispose();
        s.material.dispose();
      }
      this.handSprites = hands.map(({ letter, moves }) => {
        const sprite = new Sprite(
          new SpriteMaterial({
            map: handDisc(letter, moves, theme),
            depthTest: false,
            transparent: true,
            toneMapped: false,
          }),
        );
        sprite.name = `${letter} ${String(moves)} ${theme}`;
        sprite.renderOrder = 2;
        this.shape.add(sprite);
        return sprite;
      });
    }
    hands.forEach(({ at }, k) => {
      this.handSprites[k]!.position.set(at[0], at[1], at[2]);
    });
  }

  /** The hand in the rope, seen through; none takes it away. */
  showPalm(palm: PalmShape | null, theme: Theme): void {
    if (this.palm) {
      this.shape.remove(this.palm);
      this.palm.geometry.dispose();
      this.palm = null;
    }
    if (!palm) return;
    const [wrist, tips] = [new Vector3(...palm.wrist), new Vector3(...palm.fingertips)];
    const along = tips.clone().sub(wrist);
    this.palm = new Mesh(
      new CapsuleGeometry(palm.width / 2, along.length(), 8, 24),
      this.materials.of(
        `palm ${theme}`,
        () =>
          new MeshLambertMaterial({
            color: PICTURE_THEMES[theme].palm,
            transparent: true,
            opacity: 0.55,
            depthWrite: false,
          }),
      ),
    );
    this.palm.position.copy(wrist).addScaledVector(along, 0.5);
    this.palm.quaternion.setFromUnitVectors(new Vector3(0, 1, 0), along.normalize());
    this.shape.add(this.palm);
  }

  /** Markers are as large whatever is in view. @param height_ropeDiameters of what is seen */
  scaleHands(height_ropeDiameters: number): void {
    for (const hand of this.handSprites) hand.scale.setScalar(height_ropeDiameters / HANDS_IN_HEIGHT);
  }

  dispose(): void {
    this.showGhost([], 'paper');
    this.showHands([], 'paper');
    this.showPalm(null, 'paper');
  }
}
