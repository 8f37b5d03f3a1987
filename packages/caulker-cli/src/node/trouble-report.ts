import type { Place } from 'caulker/inside/contract'
import type { TroubleReport } from 'caulker/inside/report'
import type { Trouble } from './errors.js'
import { shown } from './shown.js'

/** A trouble as a report says it: files as a person writes them. */
export function troubleReport({ file, place, says }: Trouble): TroubleReport {
  return { file: shown(file), says, ...positionOf(place) }
}

export function positionOf(place: Place | undefined): { file?: string; line?: number; column?: number } {
  return place === undefined ? {} : { file: shown(place.file), line: place.line, column: place.column }
}
