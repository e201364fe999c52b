export {
  drawVector,
  facing,
  frameFor,
  pathInWords,
  type PictureComponent,
  type PictureSettings,
} from './vectorPicture';
export { mixed, PICTURE_THEMES, strandTints } from './tokens';
export { ribbonMesh } from './ribbon';
export { isRope } from './component';
export { jointDrawn } from './joint';
export { componentMesh, finePoints, linearColour, occluders, tubeMesh } from './tubeMesh';
