import { Type } from 'caulker'
import { made, variants } from '../corpus.js'

type Entry = Record<string, string>
type Waiting = { text: string }

/** One line of a deck log: shown as a text, edited on a copy, saved with an answer that may be late. */
export const logLine = variants({
  tag: 'log-line',
  promise: {
    required: ['entry', 'piece', 'label'],
    properties: {
      entry: { type: Type.Union([Type.Record(Type.String(), Type.String()), Type.Null()]) },
      piece: { type: Type.String() },
      label: { type: Type.String() },
    },
    events: { 'line-kept': { payload: Type.Unknown(), bubbles: true, composed: true } },
    drafts: {
      line: {
        of: 'entry',
        member: 'piece',
        event: 'line-kept',
        payloadAt: '/detail/text',
        recordAt: '/detail/entry',
        answerAt: '/detail/until',
      },
    },
  },
  faults: {
    'entry-of-the-opening': ['draft-saves'],
    'writes-into-the-entry': ['draft-saves', 'leaves-given-alone'],
    'undo-keeps-the-text': ['draft-cancels'],
    'next-edit-begins-old': ['draft-cancels'],
    'a-new-entry-closes': ['draft-stands'],
    'a-late-answer-closes': ['draft-stands'],
    'a-failure-is-forgotten': ['draft-answered'],
    'first-answer-ends-all': ['draft-answered'],
    'enter-saves-twice': ['draft-saves'],
    'stays-in-its-tree': ['sent-as-said'],
    'label-of-the-mount': ['follows-change', 'named-by-label'],
  },
  make: (has) =>
    class extends HTMLElement {
      #entry: Entry | null = null
      #atOpening: Entry | null = null
      #part = ''
      #draft: string | undefined
      #old: string | undefined
      #waiting: Waiting | undefined
      #isOpen = false
      #said = ''
      readonly #label = made('label')
      readonly #text = made('b')
      readonly #field = made('input', { type: 'text' })
      readonly #write = made('button', { type: 'button', textContent: 'Write' })
      readonly #keep = made('button', { type: 'button', textContent: 'Keep' })
      readonly #undo = made('button', { type: 'button', textContent: 'Undo' })
      readonly #note = made('small')

      constructor() {
        super()
        const root = this.attachShadow({ mode: 'open' })
        this.#field.id = 'field'
        this.#label.htmlFor = 'field'
        root.append(this.#label, this.#text, this.#write, this.#field, this.#keep, this.#undo, this.#note)
        this.#write.onclick = () => this.#open()
        this.#keep.onclick = () => this.#save()
        this.#undo.onclick = () => this.#close(has('undo-keeps-the-text'))
        this.#field.oninput = (event) => {
          event.stopPropagation()
          this.#draft = this.#field.value
        }
        this.#field.onkeydown = ({ key }) => {
          if (key === 'Enter') {
            if (has('enter-saves-twice')) this.#send(this.#draft ?? '')
            this.#save()
          }
          if (key === 'Escape') this.#close(has('undo-keeps-the-text'))
        }
        this.#draw()
      }

      #stands(): string {
        return this.#waiting?.text ?? this.#entry?.[this.#part] ?? ''
      }

      #open(): void {
        this.#isOpen = true
        this.#said = ''
        this.#atOpening = this.#entry
        this.#draft = this.#old ?? this.#draft ?? this.#stands()
        this.#field.value = this.#draft
        this.#draw()
      }

      #close(keepsText = false): void {
        this.#isOpen = false
        if (!keepsText) this.#draft = undefined
        this.#draw()
      }

      #save(): void {
        const text = this.#draft ?? ''
        if (has('next-edit-begins-old')) this.#old = text
        this.#close()
        this.#send(text)
      }

      #send(text: string): void {
        const entry = { ...(has('entry-of-the-opening') ? this.#atOpening : this.#entry), [this.#part]: text }
        if (has('writes-into-the-entry') && this.#entry !== null) this.#entry[this.#part] = text
        const asked: Promise<unknown>[] = []
        const until = (answer: Promise<unknown>) => void asked.push(answer)
        this.dispatchEvent(
          new CustomEvent('line-kept', {
            detail: { text, entry, until },
            bubbles: true,
            composed: !has('stays-in-its-tree'),
          }),
        )
        if (asked.length === 0) return
        const waiting = { text }
        this.#waiting = waiting
        this.#draw()
        const settled = (isKept: boolean) => {
          if (this.#waiting !== waiting && !has('first-answer-ends-all')) return
          this.#waiting = undefined
          if (has('a-late-answer-closes')) this.#close()
          if (!isKept && !has('a-failure-is-forgotten')) {
            this.#said = 'It was not kept'
            if (!this.#isOpen) {
              this.#isOpen = true
              this.#draft = text
              this.#field.value = text
            }
          }
          this.#draw()
        }
        Promise.all(asked).then(
          () => settled(true),
          () => settled(false),
        )
      }

      #draw(): void {
        this.#text.textContent = this.#stands() || 'nothing yet'
        this.#note.textContent = this.#said || (this.#waiting === undefined ? '' : 'on its way')
        this.#write.disabled = this.#entry === null
        for (const shown of [this.#text, this.#write]) shown.hidden = this.#isOpen
        for (const shown of [this.#field, this.#keep, this.#undo]) shown.hidden = !this.#isOpen
      }

      get entry(): Entry | null {
        return this.#entry
      }
      set entry(entry: Entry | null) {
        this.#entry = entry ?? null
        if (has('a-new-entry-closes') && this.#isOpen) this.#close()
        this.#draw()
      }

      get piece(): string {
        return this.#part
      }
      set piece(part: string) {
        if (part === this.#part) return
        this.#part = part
        this.#waiting = undefined
        this.#close()
      }

      get label(): string {
        return this.#label.textContent ?? ''
      }
      set label(label: string) {
        if (!has('label-of-the-mount') || this.#label.textContent === '') this.#label.textContent = label
      }
    },
})
