import { build, install } from './shared.mjs'

install()
build({ force: true })
