import { followsState, isShared, type FittingView, type ScreenView } from '../reading/screen-view.js'
import { recomputed } from '../reading/recomputed.js'
import { isReadable } from '../reading/given.js'
import { designRule, leak } from './rule.js'

/** A lock of a component that some of its inner controls follow, and others do not. */
export const halfLocked = designRule({
  id: 'half-locked',
  level: 'error',
  title: 'A lock reaches only some of the controls inside',
  why: 'The component says that it is locked, and the person goes on editing at the control that was forgotten.',
  mend: 'Bind the lock of every control that edits a value of the face.',
  leaking: `
import { contract, interior, oneWay, twoWay, Type } from 'caulker'
const text = contract('yard-text', { summary: 'A text', properties: { shut: { type: Type.Boolean(), default: false } }, values: { text: { type: Type.String() } }, locks: { disabled: 'shut' } })
const span = contract('berth-span', { summary: 'A span', properties: { shut: { type: Type.Boolean(), default: false } }, values: { from: { type: Type.String() }, to: { type: Type.String() } }, locks: { disabled: 'shut' } })
export const inside = interior(span, {
  fittings: { from: text, to: text },
  bind: ({ face }) => ({ from: { text: twoWay(face.values.from), shut: oneWay(face.properties.shut) }, to: { text: twoWay(face.values.to) } }),
})`,
  mended: `
import { contract, interior, oneWay, twoWay, Type } from 'caulker'
const text = contract('yard-text', { summary: 'A text', properties: { shut: { type: Type.Boolean(), default: false } }, values: { text: { type: Type.String() } }, locks: { disabled: 'shut' } })
const span = contract('berth-span', { summary: 'A span', properties: { shut: { type: Type.Boolean(), default: false } }, values: { from: { type: Type.String() }, to: { type: Type.String() } }, locks: { disabled: 'shut' } })
export const inside = interior(span, {
  fittings: { from: text, to: text },
  bind: ({ face }) => ({ from: { text: twoWay(face.values.from), shut: oneWay(face.properties.shut) }, to: { text: twoWay(face.values.to), shut: oneWay(face.properties.shut) } }),
})`,
  *find({ interiors }) {
    for (const { interior, view } of interiors)
      for (const lock of new Set(Object.values(interior.contract.locks))) {
        if (lock === undefined) continue
        const editing = view.fittings.filter((fitting) => edits(view, fitting))
        for (const fitting of editing)
          if (isOpenWhileLocked(view, fitting, lock))
            yield {
              ...leak(['bind', fitting.name], `'${fitting.name}' can be edited while '${lock}' is set`, {
                mend: 'Turn the lock of the control round.',
              }),
              of: { name: `${interior.contract.tag} inside`, written: view.screen },
            }
        const reached = editing.filter((fitting) => follows(view, fitting, lock))
        for (const fitting of reached.length === 0 ? [] : editing)
          if (!reached.includes(fitting))
            yield {
              ...leak(
                ['bind', fitting.name],
                `'${lock}' locks '${reached.map(({ name }) => name).join("' and '")}', and '${fitting.name}' goes on editing`,
              ),
              of: { name: `${interior.contract.tag} inside`, written: view.screen },
            }
      }
  },
})

/** Whether a person can change a value of the face at it. */
function edits({ cells }: ScreenView, { bindings, handlers }: FittingView): boolean {
  const isFace = (name: string) => cells.get(name)?.face === 'value'
  return (
    [...bindings.values()].some((binding) => isShared(binding) && isFace(binding.source.name)) ||
    [...handlers.values()].some(({ steps }) =>
      steps.some((step) => (step.step === 'set' || step.step === 'clear') && isFace(step.cell.name)),
    )
  )
}

/** Whether its lock is reckoned from the lock of the face, and comes to no lock where that is set and the rest is as at first. */
function isOpenWhileLocked(view: ScreenView, { contract, bindings }: FittingView, lock: string): boolean {
  return [contract.locks.disabled, contract.locks.readonly].some((own) => {
    const binding = own === undefined ? undefined : bindings.get(own)
    if (binding?.kind !== 'one-way' || binding.source.kind !== 'reckoned') return false
    if (followsState(view, binding.source) || !view.cellsBehind(binding.source).has(lock)) return false
    return recomputed(view, binding.source.name, lock, true)?.value === false
  })
}

/** Whether anything that it is given, or its being shown, depends on the lock. */
function follows(view: ScreenView, { bindings, name }: FittingView, lock: string): boolean {
  const sources = [...bindings.values()].flatMap((binding): unknown[] =>
    binding.kind === 'one-way' ? [binding.source] : [],
  )
  return [...sources, view.screen.shown[name]?.source].some(
    (source) => isReadable(source) && view.cellsBehind(source).has(lock),
  )
}
