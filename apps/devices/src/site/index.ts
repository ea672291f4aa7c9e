/** The physical model of a site by itself, without a line: pure, so that it also runs where nothing can be connected. */
export { house } from './house.js'
export { meterReadings } from '../meter/meter.js'
export { advance, type Plant } from './plant.js'
