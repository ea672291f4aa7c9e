/** What a copy, a template, a drawing or an empty field put there, and nobody saw: no two of them may pass as facts. */
const marked =
  (kind, change, which = () => true) =>
  (site) => {
    const able = site.find(kind, which)
    if (able.length === 0) return false
    const entry = site.chance.of(able)
    entry.body = { ...entry.body, ...change }
    return true
  }
const ofInverter = ({ id }) => /^c-(q|i)-\d+/.test(id)
const hung = ({ place }) => place !== undefined

const drawn =
  (...figures) =>
  (site) => {
    const entry = site.chance.of(site.find('unit-fitted', hung))
    entry.body = { ...entry.body, place: { ...entry.body.place, drawn: figures } }
    return true
  }

const drawnObstruction = (site) => {
  const able = site.find('obstruction-measured')
  if (able.length === 0) return false
  const { body } = site.chance.of(able)
  body.obstruction = { ...body.obstruction, drawn: ['x', 'w'] }
  return true
}

const devices = (change) => (site) => {
  const able = site.find('devices-fitted')
  if (able.length === 0) return false
  const entry = site.chance.of(able)
  entry.body = { devices: entry.body.devices.map((one, i) => (i === 0 ? { ...one, ...change } : one)) }
  return true
}

const FIGURES = ['size', 'length', 'phases', 'voltage', 'insulation', 'method', 'ambient', 'grouped']

export const PROPOSED = [
  ['a unit that was dragged on the wall', drawn('x')],
  ['a unit whose size came from nowhere', drawn('w', 'h')],
  ['an obstruction that was only drawn', drawnObstruction],
  ['a plane that was copied', marked('plane-built', { proposed: 'copy' })],
  ['a string that was copied', marked('string-built', { proposed: 'copy' })],
  ['devices by default', devices({ proposed: 'default' })],
  ['ports that nobody counted', devices({ idlePorts: undefined, cappedPorts: undefined })],
  ['a bond that was copied', marked('bond-made', { proposed: 'copy' })],
  ['a part of a template', marked('part-placed', { proposed: 'template' })],
  ['a cable of a template', marked('conductor-run', { proposed: 'template' })],
  ...FIGURES.map((figure) => [
    `a cable of which nobody read the ${figure}`,
    marked('conductor-run', { [figure]: undefined }, ofInverter),
  ]),
].map(([name, plant]) => ({ name, plant, before: true }))
