import { seenOnce } from './all.js'

for (const { define } of seenOnce.flat()) define()
