import { valueClauses, type AnyContract } from './contract.js'
import type { CommandClause, EventClause, PropertyClause, ReadingClause, SlotClause, ValueClause } from './clauses.js'
import { Type } from './data/builder.js'
import { typeText, type TSchema } from './data/types.js'

/** What a manifest says of one custom element, as far as a contract can use it. */
export interface ManifestElement {
  readonly tag: string
  /** The module that defines it, relative to the manifest. */
  readonly module: string
  readonly summary: string | undefined
  readonly fields: readonly ManifestField[]
  readonly events: readonly { readonly name: string; readonly summary: string | undefined }[]
  readonly methods: readonly { readonly name: string; readonly summary: string | undefined }[]
  readonly slots: readonly { readonly name: string; readonly summary: string | undefined }[]
}

export interface ManifestField {
  readonly name: string
  readonly summary: string | undefined
  /** The type, where it is a simple one. */
  readonly type: TSchema | undefined
  readonly attribute: string | undefined
}

type Json = Record<string, unknown>

/**
 * Reads a `custom-elements.json` manifest: the public fields, events, methods and slots of each element.
 *
 * The format is the Custom Elements Manifest, schema version 1 and 2. Whatever it does not say is left out; nothing is thrown for it.
 */
export function elementsOfManifest(manifest: unknown): ManifestElement[] {
  return listOf(manifest, 'modules').flatMap((module) => {
    const tags = new Map(
      listOf(module, 'exports')
        .filter((one) => one['kind'] === 'custom-element-definition')
        .map((one) => [(one['declaration'] as Json | undefined)?.['name'], one['name']]),
    )
    return listOf(module, 'declarations').flatMap((declaration) => {
      const tag = declaration['tagName'] ?? tags.get(declaration['name'])
      return typeof tag === 'string' ? [elementOf(tag, module, declaration)] : []
    })
  })
}

function elementOf(tag: string, module: Json, declaration: Json): ManifestElement {
  const members = listOf(declaration, 'members').filter(isPublic)
  const attributes = listOf(declaration, 'attributes')
  const attributeOf = (field: string) =>
    textIn(
      attributes.find((one) => one['fieldName'] === field),
      'name',
    )
  return {
    tag,
    module: textIn(module, 'path') ?? '',
    summary: summaryOf(declaration),
    fields: members
      .filter((member) => member['kind'] === 'field')
      .map((field) => ({
        name: String(field['name']),
        summary: summaryOf(field),
        type: typeNamed(textIn(field['type'] as Json | undefined, 'text')),
        attribute: textIn(field, 'attribute') ?? attributeOf(String(field['name'])),
      })),
    events: named(listOf(declaration, 'events')),
    methods: named(members.filter((member) => member['kind'] === 'method')),
    slots: named(listOf(declaration, 'slots')),
  }
}

function named(list: readonly Json[]): { name: string; summary: string | undefined }[] {
  return list
    .filter((one) => typeof one['name'] === 'string' && one['name'] !== '')
    .map((one) => ({ name: String(one['name']), summary: summaryOf(one) }))
}

function isPublic(member: Json): boolean {
  const name = textIn(member, 'name') ?? ''
  return (member['privacy'] ?? 'public') === 'public' && member['static'] !== true && /^[a-z]/i.test(name)
}

function summaryOf(of: Json): string | undefined {
  const [line] = (textIn(of, 'summary') ?? textIn(of, 'description') ?? '').trim().split('\n')
  return line?.trim().replace(/\.$/, '') || undefined
}

function textIn(of: Json | undefined, name: string): string | undefined {
  const value = of?.[name]
  return typeof value === 'string' ? value : undefined
}

function listOf(of: unknown, name: string): Json[] {
  const list = (of as Json | null | undefined)?.[name]
  return Array.isArray(list) ? list.filter((one): one is Json => typeof one === 'object' && one !== null) : []
}

/** A type as programmers write it, where it is simple: `string`, `'oak' | 'pine'`, `number | null`, `string[]`. */
export function typeNamed(text: string | undefined): TSchema | undefined {
  const parts = (text ?? '')
    .split('|')
    .map((part) => part.trim())
    .filter((part) => part !== '' && part !== 'undefined')
  const types = parts.map(onePart)
  const known = types.filter((type) => type !== undefined)
  if (known.length === 0 || known.length < types.length) return undefined
  const choices = parts.map((part) => /^(['"])(.*)\1$/.exec(part)?.[2])
  if (choices.length > 1 && choices.every((choice) => choice !== undefined)) return Type.Enum(choices)
  return known.length === 1 ? known[0] : Type.Union(known)
}

function onePart(part: string): TSchema | undefined {
  const choice = /^(['"])(.*)\1$/.exec(part)?.[2]
  if (choice !== undefined) return Type.Literal(choice)
  if (part.endsWith('[]')) {
    const items = onePart(part.slice(0, -2))
    return items === undefined ? undefined : Type.Array(items)
  }
  return { string: Type.String(), number: Type.Number(), boolean: Type.Boolean(), null: Type.Null() }[part]
}

/**
 * Writes contracts as a `custom-elements.json` manifest, for tools that read the open format.
 *
 * @param moduleOf the module that defines a tag, relative to the manifest
 */
export function manifestOf(contracts: readonly AnyContract[], moduleOf: (tag: string) => string): object {
  return {
    schemaVersion: '2.1.0',
    modules: contracts.map((contract) => ({
      kind: 'javascript-module',
      path: moduleOf(contract.tag),
      declarations: [declarationOf(contract)],
      exports: [
        {
          kind: 'custom-element-definition',
          name: contract.tag,
          declaration: { name: classNameOf(contract.tag), module: moduleOf(contract.tag) },
        },
      ],
    })),
  }
}

function declarationOf(contract: AnyContract): object {
  const given = [...Object.values<PropertyClause>(contract.properties), ...valueClauses(contract)]
  return compact({
    kind: 'class',
    customElement: true,
    name: classNameOf(contract.tag),
    tagName: contract.tag,
    description: contract.summary,
    superclass: { name: 'HTMLElement' },
    members: [
      ...given.map(fieldOf),
      ...Object.values<ReadingClause>(contract.readings).map(({ name, type, summary }) =>
        compact({ kind: 'field', name, type: { text: typeText(type) }, description: summary, readonly: true }),
      ),
      ...Object.values<CommandClause>(contract.commands).map(({ name, summary }) =>
        compact({ kind: 'method', name, description: summary }),
      ),
    ],
    attributes: given
      .filter(({ attribute }) => attribute !== false)
      .map(({ attribute, name, type }) => ({
        name: attribute,
        fieldName: name,
        type: { text: typeText(type).replaceAll(' or ', ' | ') },
      })),
    events: [
      ...valueClauses(contract).map((value: ValueClause) => ({
        name: value.event,
        type: { text: 'CustomEvent' },
        description: `Tells of ${value.name}, at ${value.payloadAt}`,
      })),
      ...Object.values<EventClause>(contract.events).map(({ name, summary }) =>
        compact({ name, type: { text: 'CustomEvent' }, description: summary }),
      ),
    ],
    slots: Object.values<SlotClause>(contract.slots).map(({ name, summary }) =>
      compact({ name, description: summary }),
    ),
  })
}

function fieldOf({ name, type, summary, hasDefault, default: standard, attribute, reflects }: PropertyClause): object {
  return compact({
    kind: 'field',
    name,
    type: { text: typeText(type).replaceAll(' or ', ' | ') },
    default: hasDefault ? JSON.stringify(standard) : undefined,
    description: summary,
    attribute: attribute === false ? undefined : attribute,
    reflects: reflects ? true : undefined,
  })
}

function classNameOf(tag: string): string {
  return tag.replace(/(?:^|-)(\w)/g, (_, letter: string) => letter.toUpperCase())
}

function compact(of: Json): Json {
  return Object.fromEntries(Object.entries(of).filter(([, value]) => value !== undefined))
}
