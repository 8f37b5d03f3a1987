/** The schema builder, in a module of its own: an app that writes plain JSON Schema does without it. */
export { Type } from 'typebox'
