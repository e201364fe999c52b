export { drawVector, facing, frameFor, pathInWords, type PictureComponent, type PictureSettings } from './vector';
export { mixed, PICTURE_THEMES, type PictureTheme } from './tokens';
export { isRope } from './component';
export { finePoints, linearColour, occluders, tubeMesh, tubeSettings, type TubeComponent, type TubeMesh, type TubeSettings } from './tubeMesh';
