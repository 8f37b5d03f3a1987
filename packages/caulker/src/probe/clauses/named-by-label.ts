import { equal } from '../../contract/index.js'
import { shadowOf } from '../../dom/index.js'
import { clause, type Examined } from './clause.js'
import { controlRefs, type ControlKind } from '../person/controls.js'
import { said } from '../person/said.js'
import { ledgerOf } from '../stage/ledger.js'
import { pictureText } from '../sight/picture.js'
import { tell } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import type { Given } from '../../mount/index.js'

/** Assistive technology is told its label. */
export const namedByLabel = clause({
  id: 'named-by-label',
  group: 'name',
  promise:
    'Its label is the accessible name of its control, or of the group around its controls, and stays so when it or another name changes; of several fields each has a name.',
  why: 'A label that only stands beside a field is not heard by whoever does not see it: the field is announced as "edit, blank".',
  tried:
    'It is mounted with a label, and with each other name standing otherwise, and told another one; the accessible names of its controls and groups are computed.',
  unprovenWhen: 'It has no property named label, or no control.',
  random: 'none',
  onTrial: 'mount',
  concerns: ({ properties, values }) =>
    Object.hasOwn(properties, 'label') &&
    Object.keys(values).length > 0 &&
    // A list has many controls, and its label is a heading.
    Object.values<{ type: object }>(values).every(({ type }) => !/"array"/.test(JSON.stringify(type))),
  *trails() {},
  judge: () => undefined,
  async examine(subject): Promise<Examined> {
    const [one, other] = ['Berth by the crane', 'Plank of the keel']
    if (subject.ways.length === 0 || subject.ideally('label', { ...subject.middle, label: one }) !== one)
      return { unproven: 'No control was found that changes a two-way value.' }
    const names = await subject.look({ ...subject.middle, label: one }, accessibleNames)
    if (names !== undefined && !names.some((name) => name.includes(one)))
      return leakOf(subject, { ...subject.middle, label: one }, undefined, names, one)
    const unnamed = await subject.look({ ...subject.middle, label: one }, unnamedField)
    if (unnamed !== undefined) return namelessLeak(subject, { ...subject.middle, label: one }, unnamed)
    const later = await namesAfterTell(subject, one, other)
    if (later !== undefined && !later.some((name) => name.includes(other)))
      return leakOf(subject, { ...subject.middle, label: one }, other, later, other)
    return (await losesItsName(subject, { ...subject.middle, label: one }, one)) ?? { held: 2 }
  },
})

async function leakOf(
  subject: Subject,
  given: Given,
  told: string | undefined,
  names: readonly string[],
  wanted: string,
): Promise<Examined> {
  const played = await subject.play({ given, moves: told === undefined ? [] : [tell({ label: told })] })
  const row = played.rows[played.rows.length - 1]
  return {
    leak: {
      says: told === undefined ? 'no control is named by its label' : 'the accessible name does not follow the label',
      expected: `a control named “${wanted}”`,
      found: names.some(Boolean)
        ? `named ${names
            .filter(Boolean)
            .map((name) => `“${name}”`)
            .join(', ')}`
        : `no name at all, and shown ${row === undefined ? '' : pictureText(row.picture)}`,
      ledger: ledgerOf(subject.contract, played, played.rows.length - 1),
    },
  }
}

/** With any other name standing otherwise, the same controls are named by it. */
async function losesItsName(subject: Subject, given: Given, label: string): Promise<Examined | undefined> {
  const kindsIn = (container: HTMLElement) => controlRefs(container).map(({ ref }) => ref.kind)
  const usual = await subject.look(given, kindsIn)
  for (const { name } of subject.names)
    for (const value of name === 'label' ? [] : subject.plain(name).slice(0, 2)) {
      const other = { ...given, [name]: value }
      const names = await subject.look(other, accessibleNames)
      if (names === undefined || names.some((one) => one.includes(label))) continue
      if (equal(await subject.look(other, kindsIn), usual)) return leakOf(subject, other, undefined, names, label)
    }
  return undefined
}

const FIELDS: readonly ControlKind[] = ['text field', 'number field', 'select', 'combo box', 'slider', 'spin button']

/** Of several fields one that has no name at all, where another has one. */
function unnamedField(container: HTMLElement): string | undefined {
  const fields = controlRefs(container).flatMap(({ ref }) => (FIELDS.includes(ref.kind) ? [ref] : []))
  const nameless = fields.find(({ label }) => label.trim() === '')
  return nameless !== undefined && fields.some(({ label }) => label.trim() !== '')
    ? `${nameless.kind} ${nameless.nth + 1}`
    : undefined
}

async function namelessLeak(subject: Subject, given: Given, field: string): Promise<Examined> {
  const played = await subject.play({ given, moves: [] })
  return {
    leak: {
      says: 'one of its fields has no name',
      expected: 'each field named: by its label, or by what it is for',
      found: `the ${field} has none`,
      ledger: ledgerOf(subject.contract, played, 0),
    },
  }
}

/** Told through the element itself, and looked at while it still stands there. */
async function namesAfterTell(subject: Subject, one: string, other: string): Promise<string[] | undefined> {
  return subject.lookAfter({ ...subject.middle, label: one }, [tell({ label: other })], accessibleNames)
}

const GROUPS =
  'fieldset, [role="group"], [role="radiogroup"], [role="listbox"], [role="slider"], [role="spinbutton"], [role="combobox"], [role="switch"], [role="checkbox"]'

/** The names of the controls and of the groups around them, through open shadow roots. */
function accessibleNames(container: HTMLElement): string[] {
  const names = controlRefs(container).map(({ ref }) => ref.label)
  const visit = (root: ParentNode): void => {
    for (const element of root.querySelectorAll('*')) {
      if (element.matches(GROUPS) || said(element, 'aria-label') !== null) names.push(groupName(element))
      const shadow = shadowOf(element)
      if (shadow !== null) visit(shadow)
    }
  }
  visit(container)
  return names
}

function groupName(element: Element): string {
  const ids = (element.getAttribute('aria-labelledby') ?? '').split(/\s+/).filter(Boolean)
  const root = element.getRootNode() as Document | ShadowRoot
  const labelled = ids.map((id) => root.getElementById(id)?.textContent ?? '').join(' ')
  return [said(element, 'aria-label'), labelled, element.querySelector('legend')?.textContent].find(Boolean) ?? ''
}
