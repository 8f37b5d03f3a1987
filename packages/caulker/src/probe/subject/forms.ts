import type { StageOptions } from '../stage/played.js'
import type { Stage } from '../stage/stage.js'
import type { Given } from '../../mount/index.js'
import type { Carrier, Subject } from './subject.js'

/** HTML Standard, section 4.13.7.4: whether an element says that it takes part in forms. */
export function asksForForms({ define }: Pick<Subject, 'define'>): boolean {
  return (define as { formAssociated?: boolean } | undefined)?.formAssociated === true
}

/** Whether the platform lets elements take part in forms; an embedded DOM does not. */
export function knowsForms({ document }: Pick<Subject, 'document'>): boolean {
  const internals = (document.defaultView as { ElementInternals?: { prototype: object } } | null)?.ElementInternals
  return internals !== undefined && 'setFormValue' in internals.prototype && !('isStandIn' in internals.prototype)
}

/** Why nothing of a form can be judged; where the platform does not know how to take an element in, no clause of forms is asked. */
export function notCarried({ carrier }: Subject): string | undefined {
  return carrier === undefined ? 'It is not associated with forms, and nothing inside it is in one.' : undefined
}

/** Finds out who carries its value; nothing where nobody does. */
export async function carrierOf(
  subject: Pick<Subject, 'define' | 'contract' | 'middle' | 'plain'>,
  stage: Stage,
  { document }: Pick<StageOptions, 'document'>,
): Promise<Carrier | undefined> {
  const { form } = subject.contract
  if (form === undefined || subject.define === undefined) return undefined
  if (asksForForms(subject)) return 'element'
  const view = document.defaultView as Window & typeof globalThis
  const isInForm = (container: HTMLElement) => {
    const found = container.querySelector('form') as HTMLFormElement
    const controls = [...found.elements].filter((one) => one.localName !== 'fieldset')
    return controls.length > 0 || [...new view.FormData(found)].length > 0
  }
  const [one = subject.middle[form.value]] = subject.plain(form.value)
  const given: Given = { ...subject.middle, [form.value]: one }
  return (await stage.lookAt({ given, moves: [], setting: 'form' }, isInForm)) === true ? 'inside' : undefined
}

/** Of what a form sends: a text that is not empty. */
export function isText(sent: unknown): boolean {
  return typeof sent === 'string' && sent !== ''
}
