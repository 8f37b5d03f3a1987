import { cargoWeight } from './cargo-weight.js'
import { chartFile } from './chart-file.js'
import { flagHoist } from './flag-hoist.js'
import { logLine } from './log-line.js'
import { pumpLever } from './pump-lever.js'
import { quayMenu } from './quay-menu.js'
import { sailDate } from './sail-date.js'
import { tarSearch } from './tar-search.js'

/** Families that were written from their contracts before any clause was tried on them: they are counted apart. */
export const seenOnce = [cargoWeight, chartFile, flagHoist, logLine, pumpLever, quayMenu, sailDate, tarSearch]
