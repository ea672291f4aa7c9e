import {
  appendFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { DATABASE_FILE } from '../database/files.js'
import { Sqlite } from '../database/sqlite.js'
import { LOCKED_KEY_FILE, SEAL_KEY_FILE, makeKey, sealKeyIn } from '../seal-key.js'
import { MANIFEST, type BackupManifest } from './manifest.js'
import { RESTORE_UNFINISHED, restoreBackup } from './restore.js'
import { takeBackup } from './take.js'

const root = mkdtempSync(join(tmpdir(), 'plumb-mark-backups-'))
afterAll(() => rmSync(root, { recursive: true }))
let count = 0
const fresh = (): string => join(root, String(count++))

const PASSPHRASE = 'three brass bobs'
const AT = '2026-05-04T10:20:30.456Z'
const TOKEN = 'a-session-that-is-open'

/** The folder of an installation: entries, people who are signed in, photos, one of them still on its way. */
function installation(): string {
  const dataDir = fresh()
  mkdirSync(join(dataDir, 'photos', 'ab'), { recursive: true })
  mkdirSync(join(dataDir, 'photos', 'coming'))
  makeKey(dataDir)
  const db = new Sqlite(join(dataDir, DATABASE_FILE))
  db.pragma('journal_mode = WAL')
  db.exec('CREATE TABLE entries (id TEXT); CREATE TABLE sessions (token TEXT)')
  db.exec('CREATE TABLE office_figures (name TEXT, value TEXT)')
  db.prepare('INSERT INTO entries VALUES (?)').run('e1')
  db.prepare('INSERT INTO sessions VALUES (?)').run(TOKEN)
  db.prepare('INSERT INTO office_figures VALUES (?, ?)').run('known-device-secret', 'a-secret-of-devices')
  db.prepare('INSERT INTO office_figures VALUES (?, ?)').run('intervals', '12')
  db.close()
  writeFileSync(join(dataDir, 'photos', 'ab', 'abcd.jpg'), 'a photo')
  writeFileSync(join(dataDir, 'photos', 'ab', 'cdef.jpg.part'), 'half a')
  writeFileSync(join(dataDir, 'photos', 'coming', 'x.jpg'), 'on its way')
  return dataDir
}
const rowsIn = (folder: string, table: string): unknown[] => {
  const db = new Sqlite(join(folder, DATABASE_FILE), { readonly: true })
  try {
    return db.prepare(`SELECT * FROM ${table}`).all()
  } finally {
    db.close()
  }
}
const backup = async (more: Parameters<typeof takeBackup>[2] = {}) =>
  takeBackup(installation(), fresh(), { at: AT, ...more })

describe('what a backup takes', () => {
  it('is everything that is evidence, under a name that says when, readable by its owner alone', async () => {
    const { folder, name, files, bytes } = await backup()
    expect(name).toBe('plumb-mark-2026-05-04T10-20-30-456')
    expect(rowsIn(folder, 'entries')).toEqual([{ id: 'e1' }])
    expect(readFileSync(join(folder, 'photos', 'ab', 'abcd.jpg'), 'utf8')).toBe('a photo')
    expect(files).toBe(2)
    expect(bytes).toBeGreaterThan(4096)
    expect(statSync(folder).mode & 0o077).toBe(0)
  })
  it('is nobody’s way in: no session and no secret of devices, not even in what the file let go', async () => {
    const { folder } = await backup()
    expect(rowsIn(folder, 'sessions')).toEqual([])
    expect(rowsIn(folder, 'office_figures')).toEqual([{ name: 'intervals', value: '12' }])
    const bytes = readFileSync(join(folder, DATABASE_FILE)).toString('latin1')
    for (const secret of [TOKEN, 'a-secret-of-devices']) expect(bytes).not.toContain(secret)
    expect(readdirSync(folder).filter((name) => /-(wal|shm|journal)$/.test(name))).toEqual([])
  })
  it('is nothing that is still on its way', async () => {
    const { folder } = await backup()
    expect(readdirSync(join(folder, 'photos'), { recursive: true }).map(String).sort()).toEqual([
      'ab',
      join('ab', 'abcd.jpg'),
    ])
  })
  it('leaves the key of the seals where it is, and under a passphrase takes it locked', async () => {
    const plain = await backup()
    expect(readdirSync(plain.folder)).not.toContain(SEAL_KEY_FILE)
    const { folder } = await backup({ passphrase: PASSPHRASE })
    const locked = readFileSync(join(folder, LOCKED_KEY_FILE), 'utf8')
    expect(locked).toContain('ENCRYPTED')
    expect(readdirSync(folder)).not.toContain(SEAL_KEY_FILE)
  })
  it('of a database of before sessions were kept is taken all the same', async () => {
    const dataDir = installation()
    const db = new Sqlite(join(dataDir, DATABASE_FILE))
    db.exec('DROP TABLE sessions; DROP TABLE office_figures')
    db.close()
    const { folder } = await takeBackup(dataDir, fresh())
    expect(rowsIn(folder, 'entries')).toHaveLength(1)
  })
  it('clears away what an earlier try left half done, and nothing else', async () => {
    const target = fresh()
    mkdirSync(join(target, 'plumb-mark-2026-01-01.part'), { recursive: true })
    mkdirSync(join(target, 'holidays.part'))
    await takeBackup(installation(), target, { at: AT })
    expect(readdirSync(target).sort()).toEqual(['holidays.part', 'plumb-mark-2026-05-04T10-20-30-456'])
  })
  it('where no data are is not made, and says so', async () => {
    const target = fresh()
    await expect(takeBackup(fresh(), target)).rejects.toThrow(/holds no data/)
    expect(existsSync(target)).toBe(false)
  })
})

describe('putting one back', () => {
  it('gives what was taken, and the key with the passphrase', async () => {
    const dataDir = installation()
    const { folder } = await takeBackup(dataDir, fresh(), { passphrase: PASSPHRASE })
    const to = fresh()
    expect(await restoreBackup(folder, to, { passphrase: PASSPHRASE })).toEqual({ files: 3, key: 'opened' })
    expect(rowsIn(to, 'entries')).toEqual([{ id: 'e1' }])
    expect(sealKeyIn(to).publicKey).toBe(sealKeyIn(dataDir).publicKey)
    expect(existsSync(join(to, RESTORE_UNFINISHED))).toBe(false)
  })
  it('asks for the passphrase, or for the word that the key is left out on purpose', async () => {
    const { folder } = await backup({ passphrase: PASSPHRASE })
    await expect(restoreBackup(folder, fresh())).rejects.toThrow(/locked/)
    const to = fresh()
    expect(await restoreBackup(folder, to, { withoutKey: true })).toMatchObject({ key: 'left-out' })
    expect(readdirSync(to)).not.toContain(SEAL_KEY_FILE)
  })
  it('with another passphrase leaves nothing', async () => {
    const { folder } = await backup({ passphrase: PASSPHRASE })
    const to = fresh()
    await expect(restoreBackup(folder, to, { passphrase: 'two brass bobs' })).rejects.toThrow()
    expect(existsSync(to)).toBe(false)
  })
  it.each<[string, (folder: string) => void]>([
    ['a photo with a byte more', (folder) => appendFileSync(join(folder, 'photos', 'ab', 'abcd.jpg'), '!')],
    ['a photo that is gone', (folder) => rmSync(join(folder, 'photos', 'ab', 'abcd.jpg'))],
    ['another database', (folder) => appendFileSync(join(folder, DATABASE_FILE), '!')],
  ])('of one with %s is refused, by name, before anything is written', async (_, spoil) => {
    const { folder } = await backup()
    spoil(folder)
    const to = fresh()
    await expect(restoreBackup(folder, to)).rejects.toThrow(/damaged: (photos|plumb-mark\.sqlite)/)
    expect(existsSync(to)).toBe(false)
  })
  it('never leaves the folder, whatever a manifest names', async () => {
    const { folder } = await backup()
    const manifest = JSON.parse(readFileSync(join(folder, MANIFEST), 'utf8')) as BackupManifest
    const files = { ...manifest.files, '../escaped': 'x' }
    writeFileSync(join(folder, MANIFEST), JSON.stringify({ ...manifest, files }))
    const to = fresh()
    await expect(restoreBackup(folder, to)).rejects.toThrow(/leads out of its folder/)
    expect(existsSync(to)).toBe(false)
  })
  it('writes over nothing, unless it was cut off there itself', async () => {
    const { folder } = await backup()
    const to = fresh()
    mkdirSync(to)
    writeFileSync(join(to, 'notes.txt'), 'mine')
    await expect(restoreBackup(folder, to)).rejects.toThrow(/not empty/)
    expect(readFileSync(join(to, 'notes.txt'), 'utf8')).toBe('mine')
    writeFileSync(join(to, RESTORE_UNFINISHED), '')
    await restoreBackup(folder, to)
    expect(readdirSync(to)).not.toContain('notes.txt')
    expect(rowsIn(to, 'entries')).toHaveLength(1)
  })
  it('from a folder that is no backup says so', async () => {
    const other = fresh()
    mkdirSync(other)
    await expect(restoreBackup(other, fresh())).rejects.toThrow(/no backup of ours/)
    writeFileSync(join(other, MANIFEST), '{"format":"something-else"}')
    await expect(restoreBackup(other, fresh())).rejects.toThrow(/no backup of ours/)
  })
})
