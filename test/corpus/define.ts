import { corpus } from './all.js'

for (const { define } of corpus.flat()) define()
