import { givenClauses, type AnyContract, type PropertyClause } from '../../contract/index.js'

/** The clauses that markup can give, by attribute. */
export function attributeClauses(contract: AnyContract): Map<string, PropertyClause> {
  return new Map(
    givenClauses(contract).flatMap((clause) =>
      clause.attribute === false ? [] : [[clause.attribute.toLowerCase(), clause] as const],
    ),
  )
}

/** Attributes that every element may carry (HTML Standard, section 3.2.6), and those that Caulker and scripts add. */
export function isGlobalAttribute(name: string): boolean {
  return GLOBAL.has(name) || /^(?:data-|aria-|on|x-)/.test(name)
}

const GLOBAL = new Set(
  `accesskey autocapitalize autocorrect autofocus class contenteditable dir draggable enterkeyhint exportparts form hidden id inert inputmode is
  itemid itemprop itemref itemscope itemtype lang name nonce part popover role slot spellcheck style tabindex title translate writingsuggestions`.split(
    /\s+/,
  ),
)
