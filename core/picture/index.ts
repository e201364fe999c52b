export {
  drawVector,
  facing,
  frameFor,
  pathInWords,
  type PictureComponent,
  type PictureSettings,
} from './vectorPicture';
export { mixed, PICTURE_THEMES, strandTints, type PictureTheme } from './tokens';
export { ribbonMesh, type Tape } from './ribbon';
export { isRope } from './component';
export { jointDrawn } from './joint';
export {
  componentMesh,
  finePoints,
  linearColour,
  occluders,
  tubeMesh,
  tubeSettings,
  type TubeComponent,
  type TubeSettings,
} from './tubeMesh';
export type { TubeMesh } from './mesh';
