import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** How a fee is shared: a percentage for each party, and what is left over. */
export const feeSplit = variants({
  tag: 'fee-split',
  promise: {
    properties: {
      parties: {
        type: Type.Array(Type.String({ minLength: 1 }), { uniqueItems: true, minItems: 1 }),
        default: ['yard', 'owner'],
        samples: [
          ['yard', 'owner', 'pilot'],
          ['pilot', 'yard'],
        ],
      },
      closed: { type: Type.Boolean(), default: false },
    },
    values: {
      shares: {
        type: Type.Record(Type.String(), Type.Number({ minimum: 0, maximum: 100 })),
        default: {},
        empty: {},
        attribute: false,
        event: 'shares-set',
        reports: 'commit',
        samples: [{ yard: 40, owner: 60 }, { yard: 10 }, { owner: 25, yard: 0 }],
      },
    },
    readings: { left: { type: Type.Number(), from: ['shares'] } },
    locks: { disabled: 'closed' },
  },
  faults: {
    'one-share-drops-the-others': ['edits-stand'],
    'zero-shown-blank': ['keeps-falsy', 'shows-initial', 'follows-change'],
    'left-not-shown-after-tell': ['follows-change'],
    'new-party-not-drawn': ['follows-change'],
    'writes-into-given': ['leaves-given-alone'],
    'closed-first-only': ['locks-hold'],
    'text-shares': ['reports-truth'],
    'above-hundred': ['stays-within', 'reports-truth'],
    'blank-is-nan': ['reports-truth', 'emptied-as-said', 'ignores-unreadable'],
  },
  make: (has) =>
    class extends HTMLElement {
      #parties = ['yard', 'owner']
      #closed = false
      #shares: Record<string, number> = {}
      #rows = made('div')
      #left = made('output')
      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#rows, this.#left)
        this.#place()
      }
      #place() {
        this.#rows.replaceChildren(
          ...this.#parties.map((party) => {
            const label = made('label', { textContent: `${party} ` })
            const field = made('input', { type: 'number', min: '0', max: '100', step: 'any' })
            field.onchange = () => {
              const next = has('writes-into-given')
                ? this.#shares
                : has('one-share-drops-the-others')
                  ? {}
                  : { ...this.#shares }
              if (field.value === '' && !has('blank-is-nan')) delete next[party]
              else {
                const share = field.value === '' ? NaN : Number(field.value)
                if (share < 0 || (share > 100 && !has('above-hundred'))) return this.#draw()
                next[party] = has('text-shares') ? (field.value as never) : share
              }
              this.#shares = next
              this.#draw()
              report(this, 'shares-set', { ...this.#shares })
            }
            label.append(field)
            return label
          }),
        )
        this.#draw()
      }
      #draw(isTold = false) {
        this.#parties.forEach((party, at) => {
          const field = this.#rows.querySelectorAll('input')[at]
          if (field === undefined) return
          const share = this.#shares[party]
          field.value = has('zero-shown-blank') ? String(share || '') : String(share ?? '')
          field.disabled = this.#closed && !(has('closed-first-only') && at > 0)
        })
        if (!(isTold && has('left-not-shown-after-tell'))) this.#left.textContent = `left ${this.left} %`
      }
      get left() {
        return 100 - Object.values(this.#shares).reduce((sum, share) => sum + Number(share), 0)
      }
      get parties() {
        return this.#parties
      }
      set parties(parties: string[] | undefined) {
        this.#parties = parties ?? ['yard', 'owner']
        if (has('new-party-not-drawn') && this.isConnected) this.#draw()
        else this.#place()
      }
      get closed() {
        return this.#closed
      }
      set closed(closed: boolean | undefined) {
        this.#closed = closed ?? false
        this.#draw()
      }
      get shares() {
        return this.#shares
      }
      set shares(shares: Record<string, number> | undefined) {
        this.#shares = shares ?? {}
        this.#draw(true)
      }
    },
})
