import type {
  AdoptReport,
  CheckReport,
  CompareReport,
  PlayReport,
  ProbesReport,
  RehearseReport,
  SheetReport,
} from './model.js'

/** A report as JSON: stable, versioned, and described by `caulker/schema/report-1.json`. */
export function reportJson(
  report: AdoptReport | CheckReport | CompareReport | PlayReport | ProbesReport | RehearseReport | SheetReport,
): string {
  return `${JSON.stringify({ $schema: './node_modules/caulker/schema/report-1.json', ...report }, null, 2)}\n`
}
