import type { SiteDocument, SiteFeature, SitePicture } from '../../api/sites'

type Frame = SitePicture['frame']
type Position = number[]

/** A property that is text, or what stands for it. */
export function textOf(feature: SiteFeature, name: string, usual = ''): string {
  const value: unknown = feature.properties[name]
  return typeof value === 'string' ? value : usual
}

export const idOf = (feature: SiteFeature): string => textOf(feature, 'id', feature.properties.kind)

/** A position moved by metres north and east. */
const shifted = ([lon = 0, lat = 0]: Position, north: number, east: number, frame: Frame): Position => [
  round(lon + east / frame.east_m_per_deg),
  round(lat + north / frame.north_m_per_deg),
]
const round = (degrees: number) => Math.round(degrees * 1e7) / 1e7

/** Where a point of the picture, metres north and east, lies. */
export const positionOf = (north: number, east: number, frame: Frame): Position =>
  shifted([frame.lon_deg, frame.lat_deg], north, east, frame)

function eachPosition(coordinates: unknown[], change: (position: Position, index: number) => Position): unknown[] {
  let index = 0
  const walk = (node: unknown): unknown => {
    if (!Array.isArray(node)) return node
    if (typeof node[0] === 'number') return change(node as Position, index++)
    return node.map(walk)
  }
  return coordinates.map((node) => (typeof node === 'number' ? node : walk(node)))
}

function withCoordinates(feature: SiteFeature, change: (position: Position, index: number) => Position): SiteFeature {
  if (!feature.geometry) return feature
  const { type, coordinates } = feature.geometry
  const changed = type === 'Point' ? change(coordinates as Position, 0) : eachPosition(coordinates, change)
  return { ...feature, geometry: { type, coordinates: changed } }
}

const update = (document: SiteDocument, id: string, change: (feature: SiteFeature) => SiteFeature): SiteDocument => ({
  ...document,
  features: document.features.map((feature) => (idOf(feature) === id ? change(feature) : feature)),
})

/** Where the first spot lies. */
export const spotOf = (document: SiteDocument): Position =>
  (document.features.find(({ properties }) => properties.kind === 'spot')?.geometry?.coordinates as
    Position | undefined) ?? [0, 0]

/** A place so many metres north and east of the spot. */
export const fromSpot = (document: SiteDocument, north: number, east: number, frame: Frame): Position =>
  shifted(spotOf(document), north, east, frame)

/** A feature moved whole; a spot takes the ends of its lines along. */
export function moved(document: SiteDocument, id: string, north: number, east: number, frame: Frame): SiteDocument {
  const target = document.features.find((feature) => idOf(feature) === id)
  const at = (target?.geometry?.type === 'Point' && (target.geometry.coordinates as Position)) || undefined
  const whole = update(document, id, (feature) =>
    withCoordinates(feature, (position) => shifted(position, north, east, frame)),
  )
  if (target?.properties.kind !== 'spot' || !at) return whole
  const there = ([lon, lat]: Position) => near(lon, at[0]) && near(lat, at[1])
  return {
    ...whole,
    features: whole.features.map((feature) =>
      ['approach', 'departure'].includes(feature.properties.kind)
        ? withCoordinates(feature, (position) => (there(position) ? shifted(position, north, east, frame) : position))
        : feature,
    ),
  }
}
const near = (one: number | undefined, other: number | undefined) => Math.abs((one ?? 0) - (other ?? 0)) < 2e-5

/** One corner of a feature moved; a closed ring stays closed. */
export function cornerMoved(
  document: SiteDocument,
  id: string,
  corner: number,
  north: number,
  east: number,
  frame: Frame,
): SiteDocument {
  return update(document, id, (feature) => {
    const ring = feature.geometry?.type === 'Polygon' ? (feature.geometry.coordinates[0] as Position[]) : []
    const twin = corner === 0 && ring.length > 0 ? ring.length - 1 : corner
    return withCoordinates(feature, (position, index) =>
      index === corner || index === twin ? shifted(position, north, east, frame) : position,
    )
  })
}

/** A line turned about its spot by degrees, clockwise. */
export function turned(document: SiteDocument, id: string, degrees: number, frame: Frame): SiteDocument {
  return update(document, id, (feature) => {
    const points = feature.geometry?.coordinates as Position[]
    const about = (feature.properties.kind === 'approach' ? points[points.length - 1] : points[0]) ?? [0, 0]
    const angle = (degrees * Math.PI) / 180
    return withCoordinates(feature, ([lon = 0, lat = 0]) => {
      const north = (lat - (about[1] ?? 0)) * frame.north_m_per_deg
      const east = (lon - (about[0] ?? 0)) * frame.east_m_per_deg
      return shifted(
        about,
        north * Math.cos(angle) - east * Math.sin(angle),
        north * Math.sin(angle) + east * Math.cos(angle),
        frame,
      )
    })
  })
}

export const withField = (document: SiteDocument, id: string, field: string, value: unknown): SiteDocument =>
  update(document, id, (feature) => ({ ...feature, properties: { ...feature.properties, [field]: value } }))

export const without = (document: SiteDocument, id: string): SiteDocument => ({
  ...document,
  features: document.features.filter((feature) => idOf(feature) !== id),
})

export const withFeature = (document: SiteDocument, feature: SiteFeature): SiteDocument => ({
  ...document,
  features: [...document.features.filter((other) => idOf(other) !== idOf(feature)), feature],
})

/** An id that nothing has yet. */
export function freshId(document: SiteDocument, stem: string): string {
  const taken = new Set(document.features.map(idOf))
  let number = 1
  while (taken.has(`${stem}-${number}`)) number += 1
  return `${stem}-${number}`
}

/** A new thing at a point of the picture: what stands there, a spot, a line in or out. */
export function drawn(
  document: SiteDocument,
  tool: string,
  [north, east]: [number, number],
  frame: Frame,
  by?: string,
): { document: SiteDocument; id: string } {
  const at = (n: number, e: number) => positionOf(n, e, frame)
  const spot = document.features.find((feature) => feature.properties.kind === 'spot')
  const spotAt = (spot?.geometry?.coordinates as Position | undefined) ?? at(0, 0)
  const id = freshId(document, tool)
  const around = [
    [-10, -10],
    [10, -10],
    [10, 10],
    [-10, 10],
    [-10, -10],
  ].map(([n = 0, e = 0]) => at(north + n, east + e))
  const shape = (kind: string, type: string, coordinates: unknown[], properties: object = {}): SiteFeature => ({
    type: 'Feature',
    properties: { kind, id, ...properties },
    geometry: { type, coordinates },
  })
  const seen = { status: 'seen', pass: 'high', top_ft: null, by: by ?? null, at: new Date().toISOString() }
  const features: Record<string, () => SiteFeature> = {
    spot: () => shape('spot', 'Point', at(north, east), { termination: 'hover' }),
    approach: () => shape('approach', 'LineString', [at(north, east), spotAt], { spot: spot ? idOf(spot) : null }),
    departure: () => shape('departure', 'LineString', [spotAt, at(north, east)], { spot: spot ? idOf(spot) : null }),
    landable: () => shape('landable', 'Polygon', [around], { surface: 'grass' }),
    wire: () =>
      shape('obstacle', 'LineString', [at(north, east - 25), at(north, east + 25)], {
        ...seen,
        what: 'wire',
        ends: ['not_seen', 'not_seen'],
      }),
    fence: () =>
      shape('obstacle', 'LineString', [at(north, east - 15), at(north, east + 15)], { ...seen, what: 'fence' }),
    edge: () =>
      shape('obstacle', 'LineString', [at(north, east - 15), at(north, east + 15)], { ...seen, what: 'edge' }),
    trees: () => shape('obstacle', 'Polygon', [around], { ...seen, what: 'trees' }),
    building: () => shape('obstacle', 'Polygon', [around], { ...seen, what: 'building' }),
  }
  const feature = features[tool]?.() ?? shape('obstacle', 'Point', at(north, east), { ...seen, what: tool })
  return { document: withFeature(document, feature), id }
}

export interface Answer {
  group: string
  about: string
  status: string
  pass: string
}

/** The survey with one point answered from a pass: an answer from that pass is changed, one from another stays. */
export function answered(document: SiteDocument, { group, about, status, pass }: Answer, at: number[]): SiteDocument {
  const mine = document.features.find(
    (one) =>
      one.properties.kind === 'survey_point' &&
      textOf(one, 'group') === group &&
      textOf(one, 'about') === about &&
      textOf(one, 'pass') === pass,
  )
  if (mine) return withField(document, idOf(mine), 'status', status)
  const id = `${group}-${about}-${pass}`.replaceAll('_', '-')
  return withFeature(document, {
    type: 'Feature',
    properties: { kind: 'survey_point', id, group, about, status, pass },
    geometry: { type: 'Point', coordinates: at },
  })
}
