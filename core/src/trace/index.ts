export {
  detectTable,
  splitLine,
  DELIMITERS,
  DELIMITER_LABEL,
  type Detection,
  type TableFormat,
} from './detect.ts';
export {
  createTimeReader,
  partedOrder,
  TIME_FORMATS,
  TIME_FORMAT_LABEL,
  timeShape,
  type TimeFormat,
} from './time-format.ts';
export { createRowReader, type BadRow, type RowRead } from './read-rows.ts';
export { buildTrace, canonicalValue, type BuiltTrace } from './build.ts';
