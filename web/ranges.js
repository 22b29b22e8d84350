import { readFileSync, writeFileSync } from 'node:fs'
import { parse } from 'yaml'

/**
 * Writes what the contract allows in each body that is sent, by the operation's name, for forms to check before they
 * ask: kinds, least and most, lengths, patterns, choices.
 */
const KEPT = ['type', 'format', 'nullable', 'minimum', 'maximum', 'minLength', 'maxLength', 'pattern', 'enum']
const contract = parse(readFileSync('../api/openapi.yaml', 'utf8'))

function plain(schema) {
  if (schema.$ref)
    return plain(
      schema.$ref
        .slice(2)
        .split('/')
        .reduce((at, key) => at[key], contract),
    )
  return schema.allOf?.length === 1 ? { ...plain(schema.allOf[0]), ...schema } : schema
}

const fieldsOf = ({ properties = {}, required = [] }) =>
  Object.fromEntries(
    Object.entries(properties).map(([name, schema]) => [
      name,
      { ...rangeOf(plain(schema)), ...needed(required, name) },
    ]),
  )
const needed = (required, name) => (required.includes(name) ? { required: true } : {})
const rangeOf = (schema) => ({
  ...Object.fromEntries(Object.entries(schema).filter(([key]) => KEPT.includes(key))),
  ...(schema.properties ? { fields: fieldsOf(schema) } : {}),
  ...eachOf(schema.items ?? schema.additionalProperties),
})
const eachOf = (schema) => (typeof schema === 'object' ? { each: rangeOf(plain(schema)) } : {})

const bodies = Object.values(contract.paths)
  .flatMap((methods) => Object.values(methods))
  .flatMap(({ operationId, requestBody }) => {
    const schema = requestBody && plain(requestBody).content['application/json']?.schema
    return schema ? [[operationId, fieldsOf(plain(schema))]] : []
  })
writeFileSync(
  'src/api/ranges.generated.ts',
  bodies.map(([name, fields]) => `export const ${name} = ${JSON.stringify(fields)} as const\n`).join(''),
)
