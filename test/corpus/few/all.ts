import { haulDate } from '../haul-date.js'
import { hullTicket } from '../hull-ticket.js'
import { seamNote } from '../seam-note.js'
import { sillDraught } from '../sill-draught.js'
import { swingAngle } from '../swing-angle.js'

/** The families that are probed in Chromium by the tests: a page with all of them takes longer to load than to probe. */
export const few = [...haulDate, ...hullTicket, ...seamNote, ...sillDraught, ...swingAngle]
