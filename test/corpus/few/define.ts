import { few } from './all.js'

for (const { define } of few) define()
