import { Type } from 'caulker'
import { report, variants } from './corpus.js'

const Part = Type.Object({ name: Type.String(), count: Type.Integer({ minimum: 1 }) })

/** Spare parts by name and count, drawn anew as a whole a moment after anything changes. */
export const partList = variants({
  tag: 'part-list',
  promise: {
    properties: {
      most: { type: Type.Integer({ minimum: 1 }), default: 5 },
      locked: { type: Type.Boolean(), default: false },
    },
    values: { parts: { type: Type.Array(Part), default: [] } },
    events: { full: { payload: Type.Integer() } },
    locks: { disabled: 'locked' },
  },
  faults: {
    'count-goes-to-the-first': ['edits-stand'],
    'out-takes-the-last': ['edits-stand'],
    'one-below-one': ['reports-truth'],
    'mutates-what-was-given': ['fresh-payload'],
    'draws-the-old': ['reports-truth', 'survives-move'],
  },
  make: (has) =>
    class extends HTMLElement {
      #parts: { name: string; count: number }[] = []
      #most = 5
      #locked = false
      #typed = ''
      #isDue = false
      connectedCallback(): void {
        this.onclick = (event) => {
          const button = (event.target as Element).closest('button')
          if (button === null || this.#locked) return
          const at = Number(button.dataset['at'])
          const does = button.dataset['does']
          if (does === 'add') this.#add()
          else if (does === 'out')
            this.#take(
              this.#parts.filter((_, one) => one !== (has('out-takes-the-last') ? this.#parts.length - 1 : at)),
            )
          else
            this.#take(
              this.#parts.map((part, one) =>
                one === (has('count-goes-to-the-first') ? 0 : at)
                  ? { ...part, count: Math.max(has('one-below-one') ? 0 : 1, part.count + (does === 'more' ? 1 : -1)) }
                  : part,
              ),
            )
        }
        this.oninput = (event) => {
          this.#typed = (event.target as HTMLInputElement).value
          event.stopPropagation()
        }
        this.addEventListener('change', (event) => {
          if (event.target !== this) event.stopPropagation()
        })
        this.onkeydown = (event) => {
          if (event.key === 'Enter' && (event.target as Element).matches('input')) {
            event.preventDefault()
            if (!this.#locked) this.#add()
          }
        }
        this.#draw()
      }
      #add(): void {
        const name = this.#typed.trim()
        if (name === '') return
        if (this.#parts.length >= this.#most) return
        this.#typed = ''
        if (has('mutates-what-was-given')) {
          this.#parts.push({ name, count: 1 })
          this.#take(this.#parts)
        } else this.#take([...this.#parts, { name, count: 1 }])
        if (this.#parts.length === this.#most) this.dispatchEvent(new CustomEvent('full', { detail: this.#most }))
      }
      #take(parts: { name: string; count: number }[]): void {
        if (JSON.stringify(parts) === JSON.stringify(this.#parts) && !has('mutates-what-was-given')) {
          this.#draw()
          return
        }
        if (has('draws-the-old')) this.#render()
        this.#parts = parts
        if (!has('draws-the-old')) this.#draw()
        report(this, 'parts-set', has('mutates-what-was-given') ? parts : parts.map((part) => ({ ...part })))
      }
      #draw(): void {
        if (this.#isDue || !this.isConnected) return
        this.#isDue = true
        queueMicrotask(() => {
          this.#isDue = false
          this.#render()
        })
      }
      #render(): void {
        if (!this.isConnected) return
        const focused = this.contains(document.activeElement)
          ? (document.activeElement as HTMLElement).dataset['key']
          : undefined
        const off = this.#locked ? 'disabled' : ''
        const text = (one: string) => one.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`)
        this.innerHTML = `<ul>${this.#parts.map((part, at) => `<li><span>${text(part.name)} × ${part.count}</span> <button type="button" ${off} data-key="less${at}" data-does="less" data-at="${at}" aria-label="fewer of ${text(part.name)}">−</button><button type="button" ${off} data-key="more${at}" data-does="more" data-at="${at}" aria-label="more of ${text(part.name)}">+</button><button type="button" ${off} data-key="out${at}" data-does="out" data-at="${at}" aria-label="take out ${text(part.name)}">out</button></li>`).join('')}</ul><input data-key="name" aria-label="new part" ${off} value="${text(this.#typed)}"><button type="button" data-key="add" data-does="add" ${off} ${this.#parts.length >= this.#most ? 'disabled' : ''}>add</button>`
        if (focused !== undefined) this.querySelector<HTMLElement>(`[data-key="${focused}"]`)?.focus()
      }
      get parts() {
        return this.#parts.map((part) => ({ ...part }))
      }
      set parts(parts: { name: string; count: number }[] | undefined) {
        this.#parts = has('mutates-what-was-given') ? (parts ?? []) : (parts ?? []).map((part) => ({ ...part }))
        this.#draw()
      }
      get most() {
        return this.#most
      }
      set most(most: number | undefined) {
        this.#most = most ?? 5
        this.#draw()
      }
      get locked() {
        return this.#locked
      }
      set locked(locked: boolean | undefined) {
        this.#locked = locked ?? false
        this.#draw()
      }
      static observedAttributes = ['most', 'locked']
      attributeChangedCallback(name: string, _: string | null, value: string | null): void {
        if (name === 'locked') this.locked = value !== null
        else this.most = value === null || !/^[1-9]\d*$/.test(value) ? undefined : Number(value)
      }
    },
})
