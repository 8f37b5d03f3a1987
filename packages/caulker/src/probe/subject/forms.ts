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

/** Whether what it sends, and how it follows its form, can be judged here. */
export function isCarried(subject: Subject): boolean {
  return subject.carrier === 'inside' || (subject.carrier === 'element' && knowsForms(subject))
}

/** Why nothing of a form can be judged. */
export function notCarried(subject: Subject): string | undefined {
  if (isCarried(subject)) return undefined
  return subject.carrier === undefined
    ? 'It is not associated with forms, and nothing inside it is in one.'
    : 'No element takes part in forms in this DOM.'
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
