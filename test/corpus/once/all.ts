import { cargoWeight } from './cargo-weight.js'
import { chartFile } from './chart-file.js'
import { flagHoist } from './flag-hoist.js'
import { logLine } from './log-line.js'
import { oilMix } from './oil-mix.js'
import { pumpLever } from './pump-lever.js'
import { quayMenu } from './quay-menu.js'
import { sailDate } from './sail-date.js'
import { tarSearch } from './tar-search.js'
import { watchBill } from './watch-bill.js'

import { gateCode } from './gate-code.js'
import { holdTree } from './hold-tree.js'
import { swingAngle } from './swing-angle.js'
import { crateSize } from './crate-size.js'

/** Families that were written from their contracts before any clause was tried on them: they are counted apart. */
import { draughtMeter } from './draught-meter.js'
import { rotaBoard } from './rota-board.js'
export const seenOnce = [
  gateCode,
  holdTree,
  swingAngle,
  crateSize,
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
]
