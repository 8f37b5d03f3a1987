import type { Subject } from './subject.js'

/** HTML Standard, section 4.13.7.4: whether an element says that it takes part in forms. */
export function asksForForms({ define }: Subject): boolean {
  return (define as { formAssociated?: boolean } | undefined)?.formAssociated === true
}

/** Whether the platform lets elements take part in forms; an embedded DOM does not. */
export function knowsForms({ document }: Subject): boolean {
  const internals = (document.defaultView as { ElementInternals?: { prototype: object } } | null)?.ElementInternals
  return internals !== undefined && 'setFormValue' in internals.prototype && !('isStandIn' in internals.prototype)
}
