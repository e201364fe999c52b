export { drawVector, facing, frameFor, pathInWords, type PictureComponent, type PictureSettings } from './vector';
export { mixed, PICTURE_THEMES, type PictureTheme } from './tokens';
export { finePoints, linearColour, tubeMesh, type TubeMesh, type TubeSettings } from './tubeMesh';
