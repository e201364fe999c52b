export { LENGTH_UNITS, lengthText, lengthToMm, MM_PER_INCH, type LengthUnit } from './length';
