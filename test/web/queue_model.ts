import type { FlyEvent } from '../../web/src/api/client'
import { sendAll, type Wire } from '../../web/src/queue/sending'
import { asSent, merged, ofAttempt, standing, type StoredTap } from '../../web/src/queue/taps'

/** A small generator with a seed (mulberry32), so that a schedule that fails can be flown again. */
function random(seed: number) {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

const PEOPLE = ['ada', 'bo']
const LESSONS = ['l1', 'l2']

class Failure extends Error {
  constructor(readonly status: number | undefined) {
    super(`failed ${status ?? 'without an answer'}`)
  }
}

/** What the real server promises: a tap once, by whoever is signed in, its answer all that it has of the lesson. */
class Server {
  stored = new Map<string, { event: FlyEvent; lesson: string; by: string }>()

  take(lesson: string, taps: StoredTap[], by: string): FlyEvent[] {
    if (taps.some((tap) => tap.phase === 'bad')) throw new Failure(422)
    if (taps.some((tap) => tap.person_id !== by)) throw new Failure(403)
    for (const tap of taps) {
      if (this.stored.has(tap.id)) continue
      const sent = asSent(tap)
      const at = new Date(Date.parse(sent.at) - (sent.offset_ms ?? 0)).toISOString()
      const event = { ...sent, at, undone: false, by } as unknown as FlyEvent
      if (event.kind === 'attempt') event.attempt_id = event.id
      this.stored.set(tap.id, { event, lesson, by })
    }
    return this.of(lesson)
  }

  of = (lesson: string) => [...this.stored.values()].filter((one) => one.lesson === lesson).map(({ event }) => event)
}

/** A tablet: what lies in its store outlives its page. */
class Device {
  waiting: StoredTap[] = []
  known: Record<string, FlyEvent[]> = {}
  person: string | null = 'ada'
  online = true
  late: { lesson: string; events: FlyEvent[] }[] = []

  constructor(
    readonly name: string,
    readonly aheadMs: number,
    readonly server: Server,
    readonly chance: () => number,
  ) {}

  screen = (lesson: string) => standing(this.known[lesson] ?? [], this.waiting.filter((t) => t.sortie_id === lesson))
  answered(lesson: string, events: FlyEvent[]) {
    this.known[lesson] = merged(this.known[lesson] ?? [], events)
  }

  /** @param sure without outages, kills and late answers */
  wire(sure: boolean): Wire {
    const broken = (share: number) => !sure && this.chance() < share
    return {
      person: async () => {
        if (!this.online && !sure) throw new Failure(undefined)
        return this.person
      },
      waiting: async () => [...this.waiting],
      post: async (lesson, taps) => {
        if (!this.online && !sure) throw new Failure(undefined)
        if (broken(0.1)) throw new Failure([undefined, 401, 500, 429][Math.floor(this.chance() * 4)])
        const events = this.server.take(lesson, taps, this.person ?? '')
        // Taken, but the page is killed or the answer lost.
        if (broken(0.15)) throw new Failure(undefined)
        return events
      },
      answered: async (lesson, events) => {
        if (broken(0.1)) throw new Failure(undefined)
        this.answered(lesson, events)
      },
      gone: async (taps) => {
        if (broken(0.1)) throw new Failure(undefined)
        const ids = new Set(taps.map(({ id }) => id))
        this.waiting = this.waiting.filter(({ id }) => !ids.has(id))
      },
      refuse: async (tap, why) => {
        this.waiting = this.waiting.map((one) => (one.id === tap.id ? { ...one, refused: why } : one))
      },
    }
  }
}

interface Made {
  id: string
  lesson: string
  person: string
  attempt: string | null
  bad: boolean
}

/** One schedule of taps, outages, kills, reorderings and session ends on two devices; what is wrong in the end. */
async function schedule(seed: number): Promise<string[]> {
  const chance = random(seed)
  const server = new Server()
  const devices = [new Device('a', 90_000, server, chance), new Device('b', -400, server, chance)]
  const made: Made[] = []
  const wrong: string[] = []
  const shown = new Map<Device, Set<string>>(devices.map((device) => [device, new Set<string>()]))
  let clock = Date.parse('2026-05-04T10:00:00Z')

  for (let step = 0; step < 40; step += 1) {
    clock += 1000 + Math.floor(chance() * 20_000)
    const device = devices[chance() < 0.5 ? 0 : 1] as Device
    const roll = chance()
    if (roll < 0.45 && device.person) tapOn(device)
    else if (roll < 0.6) device.online = !device.online
    else if (roll < 0.7) device.person = [null, ...PEOPLE][Math.floor(chance() * 3)] ?? null
    else if (roll < 0.8) for (const { lesson, events } of device.late.splice(0)) device.answered(lesson, events)
    else if (roll < 0.9 && device.online) {
      // A look at the lesson whose answer may be overtaken by later ones.
      const look = { lesson: 'l1', events: server.of('l1') }
      if (chance() < 0.5) device.late.push(look)
      else device.answered(look.lesson, look.events)
    }
    await sendAll(device.wire(false))
    look(device)
  }
  for (const device of devices) {
    for (const { lesson, events } of device.late.splice(0)) device.answered(lesson, events)
    for (const person of PEOPLE) {
      device.person = person
      const link = await sendAll(device.wire(true))
      if (link !== 'sent') wrong.push(`${device.name} ends ${link}`)
    }
  }
  for (const device of devices) for (const lesson of LESSONS) device.answered(lesson, server.of(lesson))
  made.forEach(check)
  return wrong

  function tapOn(device: Device) {
    const lesson = LESSONS[chance() < 0.8 ? 0 : 1] as string
    const begun = device.screen(lesson).filter(({ kind }) => kind === 'attempt')
    const last = begun.at(-1)?.id ?? null
    const kind = last === null || chance() < 0.3 ? 'attempt' : chance() < 0.5 ? 'help' : 'grade'
    const bad = kind !== 'attempt' && chance() < 0.08
    const id = `${seed}-${made.length}`
    const person = device.person ?? ''
    const attempt = kind === 'attempt' ? id : last
    made.push({ id, lesson, person, attempt, bad })
    device.waiting.push({
      id,
      kind,
      at: new Date(clock + device.aheadMs).toISOString(),
      offset_ms: device.aheadMs,
      device: device.name,
      phase: bad ? 'bad' : null,
      attempt_id: ofAttempt({ kind }, device.screen(lesson)).attempt_id ?? null,
      sortie_id: lesson,
      person_id: person,
      person,
      order: made.length,
    })
  }

  /** What once stood on a screen stays there. */
  function look(device: Device) {
    const seen = shown.get(device) ?? new Set<string>()
    const now = new Set(LESSONS.flatMap((lesson) => device.screen(lesson)).map(({ id }) => id))
    for (const id of seen) if (!now.has(id)) wrong.push(`${device.name} lost ${id} from its screen`)
    now.forEach((id) => seen.add(id))
  }

  function check({ id, lesson, person, attempt, bad }: Made) {
    const stored = server.stored.get(id)
    if (bad) {
      if (stored) wrong.push(`${id} was refused and is stored`)
      if (!devices.some((device) => device.waiting.some((tap) => tap.id === id && tap.refused)))
        wrong.push(`${id} was refused and is gone`)
      return
    }
    if (!stored) wrong.push(`${id} is lost`)
    else if (stored.by !== person || stored.lesson !== lesson || stored.event.attempt_id !== attempt)
      wrong.push(`${id} of ${person} under ${attempt ?? 'nothing'} is ${stored.by}'s under ${stored.event.attempt_id ?? 'nothing'}`)
    for (const device of devices) {
      const times = device.screen(lesson).filter((event) => event.id === id).length
      if (times !== 1) wrong.push(`${device.name} shows ${id} ${times} times`)
      if (device.waiting.some((tap) => tap.id === id)) wrong.push(`${id} still waits on ${device.name}`)
    }
  }
}

/** Flies so many schedules; what went wrong in any of them, with its seed. */
export async function fly(first: number, count: number): Promise<string[]> {
  const wrong: string[] = []
  for (let seed = first; seed < first + count; seed += 1)
    for (const one of await schedule(seed)) wrong.push(`seed ${seed}: ${one}`)
  return wrong.slice(0, 20)
}
