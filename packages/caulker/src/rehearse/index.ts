export { rehearsal, type Rehearsal, type Told } from './rehearsal.js'
