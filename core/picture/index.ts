export { drawVector, facing, frameFor, pictureOf, type PictureComponent, type PictureSettings } from './vectorPicture';
export { mixed, PICTURE_THEMES, strandTints } from './tokens';
export { ribbonMesh } from './ribbon';
export { isRope } from './component';
export { jointDrawn } from './joint';
export { componentMesh, finePoints, linearColour, occluders, tubeMesh } from './tubeMesh';
export { pathInWords } from './inWords';
export { CUT_END, svgOf } from './svg';
export { UNITS, type Picture, type Shape } from './drawing';
