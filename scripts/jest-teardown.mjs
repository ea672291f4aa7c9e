import { rmSync } from 'node:fs'

export default function teardown() {
  rmSync(process.env.PLUMB_MARK_TEST_RUN, { recursive: true, force: true })
}
