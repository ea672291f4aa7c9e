import { builtFile } from './worker-pool.js'

it.each([
  ['/opt/mark/apps/server/src/exchange/archive.worker.js', '/opt/mark/apps/server/bundle/archive.worker.js'],
  // Also where the whole of it lies beneath a folder of that name.
  ['/home/me/src/mark/apps/server/src/a/b.worker.js', '/home/me/src/mark/apps/server/bundle/b.worker.js'],
  ['/home/me/src/mark/apps/server/bundle/b.worker.js', '/home/me/src/mark/apps/server/bundle/b.worker.js'],
  ['/opt/mark/apps/server/dist/a/b.worker.js', '/opt/mark/apps/server/dist/a/b.worker.js'],
])('the worker of %s is %s', (file, built) => expect(builtFile(file)).toBe(built))
