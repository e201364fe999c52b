export { LENGTH_UNITS, lengthText, lengthToMm, MM_PER_INCH, mmToLength, type LengthUnit } from './length';
