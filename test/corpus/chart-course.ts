import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

interface Point {
  x: number
  y: number
}

/** A course that is drawn on a chart with the pointer, point by point, and taken back by a button. */
export const chartCourse = variants({
  tag: 'chart-course',
  promise: {
    properties: { firm: { type: Type.Boolean(), default: false } },
    values: {
      course: {
        type: Type.Array(Type.Object({ x: Type.Integer(), y: Type.Integer() })),
        default: [],
        empty: [],
        event: 'course-set',
        samples: [
          [
            { x: 10, y: 10 },
            { x: 40, y: 30 },
          ],
          [{ x: 2, y: 3 }],
        ],
      },
    },
    commands: { clear: { effect: 'reset' } },
    locks: { readonly: 'firm' },
  },
  faults: {
    'draws-when-firm': ['locks-hold'],
    'clears-in-silence': ['resets-fully'],
    'back-in-silence': ['reports-once', 'follows-change'],
    'adds-to-the-old': ['leaves-given-alone', 'fresh-payload', 'own-defaults'],
    'old-course-stays': ['follows-change', 'reports-truth', 'owner-decides', 'resets-fully'],
    'twice-for-a-point': ['reports-once'],
  },
  make: (has) =>
    class extends HTMLElement {
      static observedAttributes = ['firm']
      #firm = false
      #course: Point[] = []
      readonly #chart = made('div')
      readonly #back = made('button', { type: 'button', textContent: 'Take back' })

      constructor() {
        super()
        this.#chart.style.cssText = 'position: relative; width: 120px; height: 80px; border: 1px solid'
        this.attachShadow({ mode: 'open' }).append(this.#chart, this.#back)
        // Nothing says by a role that one can draw there.
        this.#chart.addEventListener('pointerdown', ({ clientX, clientY }) => {
          if (this.#firm && !has('draws-when-firm')) return
          const { left, top } = this.#chart.getBoundingClientRect()
          const point = { x: Math.round(clientX - left), y: Math.round(clientY - top) }
          if (has('adds-to-the-old')) this.#course.push(point)
          this.#set(has('adds-to-the-old') ? this.#course : [...this.#course, point])
          if (has('twice-for-a-point')) this.#set(this.#course)
        })
        this.#back.onclick = () => this.#set(this.#course.slice(0, -1), has('back-in-silence'))
      }

      attributeChangedCallback(_name: string, _old: string | null, text: string | null): void {
        this.firm = text !== null
      }
      connectedCallback(): void {
        this.#draw()
      }

      #set(course: Point[], isSilent = false): void {
        this.#course = course
        this.#draw()
        if (!isSilent) report(this, 'course-set', has('adds-to-the-old') ? course : structuredClone(course))
      }

      #draw(): void {
        const points = this.#course.map(({ x, y }) => made('i', { textContent: `${x}, ${y}` }))
        if (has('old-course-stays')) this.#chart.append(...points)
        else this.#chart.replaceChildren(...points)
        this.#back.disabled = this.#firm || this.#course.length === 0
      }

      clear(): void {
        if (this.#course.length > 0) this.#set([], has('clears-in-silence'))
      }

      get firm(): boolean {
        return this.#firm
      }
      set firm(firm: boolean | undefined) {
        this.#firm = firm ?? false
        this.#draw()
      }
      get course(): Point[] {
        return has('adds-to-the-old') ? this.#course : structuredClone(this.#course)
      }
      set course(course: Point[] | undefined) {
        this.#course = has('adds-to-the-old') ? (course ?? []) : structuredClone(course ?? [])
        this.#draw()
      }
    },
})
