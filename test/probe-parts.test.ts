import { expect } from 'chai'
import { execFileSync } from 'node:child_process'
import { controlRefs, judged, minimise, personAt, pictureOf, subjectFor, type Gesture } from 'caulker/inside/probe'
import { clauses } from 'caulker/probe'
import { embeddedParts } from '../packages/caulker-cli/dist/node/embedded-parts.js'
import { locate } from '../packages/caulker-cli/dist/node/locate.js'
import { elementMount } from 'caulker/dom'
import { corpus } from './corpus/all.js'
import { folderWith } from './support/cli.js'
import { inDocument } from './support/embedded.js'
import { oneIn } from './support/whole.js'

describe('the picture of what a person sees', () => {
  const pictures: [string, string, string[]][] = [
    ['text by blocks, however it is split', '<div>Oak<b>um</b> <i>bales</i><p>7</p></div>', ['Oakum bales', '7']],
    [
      'nothing of what is hidden',
      '<p hidden>a</p><p style="display:none">b</p><template>c</template><style>p{}</style><p>d</p>',
      ['d'],
    ],
    ['what a style sheet hides', '<style>.gone { display: none }</style><p class="gone">a</p><p>b</p>', ['b']],
    [
      'fields with their values, or what they ask for',
      '<input value="7"><input placeholder="Name"><textarea>log</textarea>',
      ['[7]', '[Name]', '[log]'],
    ],
    [
      'boxes and buttons in their states',
      '<input type="checkbox" checked><input type="radio"><button disabled>Go</button>',
      ['[x]', '( )', '<Go> (disabled)'],
    ],
    [
      'a select with what is chosen and what could be',
      '<select><option>oak<option selected>pine</select>',
      ['[pine ▾ oak | pine]'],
    ],
    [
      'the states that roles have',
      '<div role="switch" aria-checked="true">Pump</div><div role="slider" aria-valuenow="3"></div>',
      ['[x] Pump', '[3]'],
    ],
    ['passwords as dots', '<input type="password" value="reef">', ['[••••]']],
  ]
  for (const [what, markup, lines] of pictures)
    it(`has ${what}`, () =>
      inDocument((document) => {
        document.body.innerHTML = `<div>${markup}</div>`
        expect(pictureOf(document.body).lines).to.eql(lines)
      }))

  it('looks into open shadow trees and shows what is slotted', () =>
    inDocument((document) => {
      const host = document.body.appendChild(document.createElement('div'))
      host.innerHTML = '<span>Heron</span>'
      host.attachShadow({ mode: 'open' }).innerHTML = '<p>Vessel</p><slot>none</slot>'
      expect(pictureOf(document.body).lines).to.eql(['Vessel', 'Heron'])
    }))
})

describe('what a person does', () => {
  const eventsOf = async (
    markup: string,
    gestures: (on: (nth: number) => never) => Gesture[],
    listen = ['keydown', 'beforeinput', 'input', 'keyup', 'change', 'click', 'submit', 'focus', 'blur'],
  ) =>
    inDocument((document) => {
      const place = document.body.appendChild(document.createElement('div'))
      place.innerHTML = markup
      const happened: string[] = []
      for (const name of listen)
        place.addEventListener(
          name,
          (event) => {
            happened.push(name === 'input' ? `input ${(event.target as HTMLInputElement).value}` : name)
            const isShut = (event.target as HTMLElement).hasAttribute('data-shut') && name === 'beforeinput'
            if (name === 'submit' || isShut) event.preventDefault()
          },
          true,
        )
      const person = personAt(place)
      const refs = controlRefs(place).map(({ ref }) => ref)
      const refused = gestures((nth) => refs[nth] as never).map((gesture) => person.act(gesture))
      return { happened, refused: refused.filter(Boolean), place }
    })

  it('types with the events of the platform in their order, and a change when the field is left', async () => {
    const { happened } = await eventsOf('<input value="old">', (on) => [
      { do: 'type', on: on(0), text: 'ab' },
      { do: 'leave' },
    ])
    expect(happened).to.eql([
      'focus',
      'keydown',
      'beforeinput',
      'input a',
      'keyup',
      'keydown',
      'beforeinput',
      'input ab',
      'keyup',
      'change',
      'blur',
    ])
  })

  it('does not change what an event handler prevents', async () => {
    const { happened } = await eventsOf('<input value="old" data-shut>', (on) => [
      { do: 'type', on: on(0), text: 'a' },
      { do: 'leave' },
    ])
    expect(happened).not.to.include('change')
  })

  it('submits by Enter through the default button, and not by a plain one', async () => {
    const { happened } = await eventsOf(
      '<form><input><button type="button">Plain</button><button>Send</button></form>',
      (on) => [{ do: 'enter', on: on(0) }],
      ['click', 'submit'],
    )
    expect(happened).to.eql(['click', 'submit'])
  })

  it('chooses the same file twice without an event, as the browser does, until the field is emptied', async () => {
    await inDocument(async (document) => {
      const file = new window.File(['mast'], 'mast.png')
      const place = document.body.appendChild(document.createElement('div'))
      place.innerHTML = '<input type="file">'
      const field = place.querySelector('input')!
      let changes = 0
      field.onchange = () => changes++
      const person = personAt(place)
      const pick: Gesture = { do: 'pick', on: controlRefs(place)[0]!.ref, file }
      for (const empties of [false, false, true]) {
        if (empties) field.value = ''
        person.act(pick)
      }
      expect([changes, field.files![0]!.name]).to.eql([2, 'mast.png'])
    })
  })

  it('says why a gesture cannot be made', async () => {
    const { refused } = await eventsOf('<button disabled>Go</button>', (on) => [
      { do: 'press', on: on(0) },
      { do: 'press', on: { kind: 'button', nth: 3, label: '' } as never },
    ])
    expect(refused).to.eql(['the button cannot be operated now', 'there is no button any more'])
  })
})

describe('a trail that breaks a clause', () => {
  it('is minimal: without any one of its steps it shows no leak', () =>
    inDocument(async (document, _next, frames) => {
      const asked = oneIn(2, [
        'crew-list-with-no-clearing',
        'rope-order-with-enter-unheard',
        'mast-height-with-doubled-on-blur',
      ])
      const faulty = corpus.flat().filter(({ contract: { tag } }) => asked.includes(tag))
      for (const { contract: of, define } of faulty) {
        define()
        const subject = await subjectFor(of, {
          document,
          frames,
          mountInto: (into) => elementMount({ into }),
        })
        if ('unready' in subject) throw new Error(subject.unready)
        let count = 0
        for (const clause of clauses.filter((one) => one.concerns(of)))
          for await (const trail of clause.trails(subject)) {
            const played = await subject.play(trail)
            const { leak } = await judged(clause, subject, played)
            if (leak === undefined) continue
            const shortest = await minimise(clause, subject, played, leak)
            const { moves, ...rest } = shortest.played.trail
            count++
            for (let at = 0; at < moves.length; at++) {
              const without = await subject.play({ ...rest, moves: moves.filter((_, other) => other !== at) })
              expect(
                (await judged(clause, subject, without)).leak,
                `${of.tag} ${clause.id} without step ${at + 1}`,
              ).to.equal(undefined)
            }
            break
          }
        expect(count, of.tag).to.be.at.least(1)
      }
    }))
})

describe('the place of a finding', () => {
  const file = (text: string) => `${folderWith({ 'a.screen.ts': text })}/a.screen.ts`
  const text = [
    "// screen('x', { bind: 1 })",
    "export const slip = screen('slip', {",
    '  cells: { note: { type } },',
    "  fittings: { note, 'long-note': note },",
    '  bind: ({ cells }) => ({',
    "    note: { note: twoWay(cells.note), hint: 'note: a hint' },",
    "    'long-note': { note: { note: 1 } },",
    '  }),',
    '})',
    "export const other = screen('other', { bind: () => ({ mast: {} }) })",
  ].join('\n')
  const places: [string[], number, number][] = [
    [['bind', 'note', 'note'], 6, 13],
    [['bind', 'note', 'hint'], 6, 39],
    [['bind', 'long-note', 'note'], 7, 20],
    [['cells', 'note'], 3, 12],
    [['bind', 'note', 'missing'], 6, 5],
    [['bind', 'mast'], 5, 3],
    [[], 2, 21],
  ]
  for (const [path, line, column] of places)
    it(`finds ${path.join('.') || 'the screen itself'}`, () => {
      const at = file(text)
      expect(locate({ file: at, line: 2, column: 1 }, path)).to.eql({ file: at, line, column })
    })
})

describe('the embedded DOM', () => {
  it('requires no ES module that its thread has not imported before', () => {
    const LIST = `require('jsdom')
      const isModule = ([, { exports }]) => require('util').types.isModuleNamespaceObject(exports)
      console.log(JSON.stringify(Object.entries(require.cache).filter(isModule).map(([file]) => file)))`
    expect(JSON.parse(execFileSync(process.execPath, ['-e', LIST], { encoding: 'utf8' }))).to.have.members(
      embeddedParts(),
    )
  })
})
