export { inOwnMeasures, OWN_MEASURES, OWN_MEASURE_RANGES_MM, type OwnMeasure, type OwnMeasures } from './ownMeasures';
export {
  LENGTH_UNITS,
  lengthFromText,
  lengthText,
  lengthToMm,
  MM_PER_INCH,
  rangeText,
  upTo,
  type LengthUnit,
} from './length';
