import { valueClauses } from '../../contract/index.js'
import { contractRule, leak } from './rule.js'

/** A report that is named like an event which leaves the inner control by itself. */
export const nativeEventName = contractRule({
  id: 'native-event-name',
  level: 'warning',
  title: 'A report has the name of a native event',
  why: 'The native event of the control inside is composed: it leaves the shadow tree by itself (UI Events, section 3.2), so the owner hears two events of one name, and one of them carries nothing.',
  mend: 'Give the report a name of its own, or stop the inner event at the shadow root and waive this.',
  leaking: `
import { contract, Type } from 'caulker'
export const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String(), event: 'input' } } })`,
  mended: `
import { contract, Type } from 'caulker'
export const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } } })`,
  *find(contract) {
    const own = [
      ...valueClauses(contract)
        .filter((value) => value.payloadAt.startsWith('/detail'))
        .map((value) => ['values', value.name, value.event] as const),
    ]
    const events = Object.keys(contract.events).map((name) => ['events', name, name] as const)
    if (contract.tag.startsWith('native-')) return
    for (const [section, name, event] of [...own, ...events])
      if (COMPOSED.has(event))
        yield leak(
          [section, name],
          `'${event}' is also the native event of a control inside, which reaches the owner too`,
        )
  },
})

const COMPOSED = new Set([
  'input',
  'beforeinput',
  'click',
  'dblclick',
  'focusin',
  'focusout',
  'focus',
  'blur',
  'keydown',
  'keyup',
  'pointerdown',
  'pointerup',
  'mousedown',
  'mouseup',
  'touchstart',
  'touchend',
  'wheel',
  'paste',
  'copy',
  'cut',
  'drop',
  'dragstart',
])
