import { berthChoice } from './berth-choice.js'
import { crewList } from './crew-list.js'
import { deckNote } from './deck-note.js'
import { hatchToggle } from './hatch-toggle.js'
import { haulDate } from './haul-date.js'
import { mastHeight } from './mast-height.js'
import { plankRating } from './plank-rating.js'

export const corpus = [berthChoice, crewList, deckNote, hatchToggle, haulDate, mastHeight, plankRating]
