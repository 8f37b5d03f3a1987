import { craftFilter } from './craft-filter.js'
import { draughtMeter } from './draught-meter.js'
import { rotaBoard } from './rota-board.js'
import { berthMenu } from './berth-menu.js'
import { cargoWeight } from './cargo-weight.js'
import { chartFile } from './chart-file.js'
import { flagHoist } from './flag-hoist.js'
import { gateNumber } from './gate-number.js'
import { hullStars } from './hull-stars.js'
import { logLine } from './log-line.js'
import { namePlate } from './name-plate.js'
import { oilMix } from './oil-mix.js'
import { pumpLever } from './pump-lever.js'
import { quayMenu } from './quay-menu.js'
import { sailDate } from './sail-date.js'
import { tarSearch } from './tar-search.js'
import { tarTint } from './tar-tint.js'
import { watchBill } from './watch-bill.js'

/** Families that were written from their contracts before any clause was tried on them: they are counted apart. */
export const seenOnce = [
  rotaBoard,
  draughtMeter,
  cargoWeight,
  chartFile,
  flagHoist,
  logLine,
  oilMix,
  pumpLever,
  quayMenu,
  sailDate,
  tarSearch,
  watchBill,
  tarTint,
  namePlate,
  berthMenu,
  hullStars,
  craftFilter,
  gateNumber,
]
