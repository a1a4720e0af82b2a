export {
  ARCHIVE_FORMAT,
  MOST_ARCHIVE_BYTES,
  UnreadRow,
  isKnownTable,
  tableJsonSchemas,
  type Manifest,
} from './archive/format.js';
export {
  firstIssue,
  openArchive,
  parseArchive,
  type ArchiveRow,
  type OpenArchive,
} from './archive/read-archive.js';
export { ArchiveWriter, partsOfPhotos, writeArchive } from './archive/write-archive.js';
export type { ByteSource } from './archive/zip-directory.js';
export { batchSheet, type BatchSheet } from './batch-sheet.js';
export { OutsideReadings, isRoomChannel, type RoomChannel } from './outside-readings.js';
export { ReadingsCsv, type FileReading } from './readings-csv.js';
export { edgesCsv, familyGraphMl } from './lineage-export.js';
export { readLabel, type LabelRead } from './read-label.js';
export { labelContent, type LabelContent } from './label.js';
export {
  isSameRow,
  mergeArchives,
  rowThatStands,
  type MergeDifference,
  type MergeRow,
  type Merged,
} from './merge.js';
export { csvColumns, csvOf, linesCsv } from './table-csv.js';
export { calendarOf, type CalendarEntry } from './calendar.js';
