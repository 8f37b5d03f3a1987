import { typeText } from '../../contract/index.js'
import { designRule, leak } from './rule.js'

/** A command of a contract that the interior behind it never carries out. */
export const idleCommand = designRule({
  id: 'idle-command',
  level: 'error',
  title: 'A command of the contract does nothing',
  why: 'Owners call it, as the contract says they may, and nothing happens.',
  mend: 'Write under commands what carries it out, or drop it from the contract.',
  leaking: `
import { contract, interior, twoWay, Type } from 'caulker'
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } } })
const name = contract('vessel-name', { summary: 'A name', values: { name: { type: Type.String() } }, commands: { wipe: {} } })
export const inside = interior(name, { fittings: { text }, bind: ({ face }) => ({ text: { text: twoWay(face.values.name) } }) })`,
  mended: `
import { contract, interior, set, twoWay, Type } from 'caulker'
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } } })
const name = contract('vessel-name', { summary: 'A name', values: { name: { type: Type.String() } }, commands: { wipe: {} } })
export const inside = interior(name, {
  fittings: { text },
  commands: ({ face }) => ({ wipe: [set(face.values.name, '')] }),
  bind: ({ face }) => ({ text: { text: twoWay(face.values.name) } }),
})`,
  *find({ interiors }) {
    for (const { interior, view } of interiors)
      for (const { name, effect, gives } of Object.values(interior.contract.commands)) {
        const { tag, form } = interior.contract
        const isCarriedOut = (view.screen.commands[name]?.steps.length ?? 0) > 0
        const isAnswered = view.screen.answers[name] !== undefined
        // The focus goes to its first control by itself, and what is wrong is shown by the form that it belongs to.
        const showsWrong = effect === 'check' && form !== undefined
        const of = { name: `${tag} inside`, written: view.screen }
        if (!isCarriedOut && !isAnswered && effect !== 'focus' && !showsWrong)
          yield { ...leak(['commands', name], `the interior of '${tag}' never carries out its command '${name}'`), of }
        else if (gives !== undefined && !isAnswered && !showsWrong)
          yield {
            ...leak(
              ['commands', name],
              `the interior of '${tag}' never says what its command '${name}' gives back, which is of type ${typeText(gives)}`,
              { mend: `Write under answers what '${name}' gives back.` },
            ),
            of,
          }
      }
  },
})
