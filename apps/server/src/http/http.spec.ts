import { HttpException } from '@nestjs/common'
import type { ArgumentsHost } from '@nestjs/common'
import type { Request, Response } from 'express'
import { BadInput } from '@plumb-mark/core'
import { ErrorFilter } from './error.filter.js'
import { createLog } from './log.js'
import { PerKeyQueue } from './per-key-queue.js'
import { Refused } from './refused.js'
import { sameOrigin } from './same-origin.js'

describe('the one shape of errors', () => {
  const lines: string[] = []
  const log = createLog({ write: (line) => void lines.push(line) })
  function told(problem: unknown): { status: number; body: unknown } {
    const sent = { status: 0, body: undefined as unknown }
    const response = {
      headersSent: false,
      status: (status: number) => ((sent.status = status), { json: (body: unknown) => (sent.body = body) }),
    }
    new ErrorFilter(log).catch(problem, {
      switchToHttp: () => ({
        getResponse: () => response,
        getRequest: () => ({ requestId: 'r-1', method: 'POST', path: '/x', body: { password: 'secret' } }),
      }),
    } as unknown as ArgumentsHost)
    return sent
  }
  it.each<[string, unknown, number, object]>([
    [
      'a refusal with its place',
      new Refused(409, 'number-taken', 'taken', 'number'),
      409,
      { code: 'number-taken', message: 'taken', path: 'number' },
    ],
    [
      'what core calls bad input',
      new BadInput('missing', 'a.b', 'is required'),
      400,
      { code: 'missing', path: 'a.b' },
    ],
    ['an address that is none', new HttpException('Cannot GET /x', 404), 404, { code: 'not-found' }],
    [
      'a body that is too large',
      { status: 413, message: 'request entity too large' },
      413,
      { code: 'too-large' },
    ],
    ['another status of the framework', new HttpException('teapot', 418), 418, { code: 'http-error' }],
  ])('%s', (_what, problem, status, error) =>
    expect(told(problem)).toMatchObject({ status, body: { error } }),
  )
  it('a fault of ours is told without its inside', () => {
    const answer = told(new Error('SQLITE_CONSTRAINT: entries.id at /srv/secret'))
    expect(answer).toEqual({
      status: 500,
      body: {
        error: {
          code: 'fault',
          message: 'something went wrong on our side; nothing was kept',
          requestId: 'r-1',
        },
      },
    })
  })
  it('a fault is logged with its stack and the id that its caller was told, without what was sent', () => {
    lines.length = 0
    told(new Error('broken here'))
    expect(JSON.parse(lines[0]!)).toMatchObject({
      requestId: 'r-1',
      method: 'POST',
      err: { message: 'broken here', stack: expect.stringContaining('http.spec') },
    })
    expect(lines.join('')).not.toContain('secret')
  })
})

describe('a write from elsewhere', () => {
  const answer = (method: string, headers: Record<string, string>) => {
    let refused: unknown
    sameOrigin(
      { method, headers: { host: 'plumb.example', ...headers } } as unknown as Request,
      undefined as unknown as Response,
      (problem) => void (refused = problem),
    )
    return refused instanceof Refused ? refused.status : 200
  }
  const ours = { 'x-plumb-mark': '1' }
  it.each<[string, string, Record<string, string>, number]>([
    ['reading needs no mark', 'GET', {}, 200],
    ['a write carries ours', 'POST', ours, 200],
    ['from our own page', 'PUT', { ...ours, origin: 'https://plumb.example' }, 200],
    ['from another', 'POST', { ...ours, origin: 'https://elsewhere.example' }, 403],
    ['from nowhere that can be named', 'POST', { ...ours, origin: 'null' }, 403],
    ['a form cannot set the mark', 'POST', { origin: 'https://plumb.example' }, 403],
    ['nor may it take away', 'DELETE', {}, 403],
  ])('%s', (_what, method, headers, status) => expect(answer(method, headers)).toBe(status))
})

describe('work for one job', () => {
  const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))
  it('goes one after the other, in the order in which it was asked for', async () => {
    const queue = new PerKeyQueue()
    const order: number[] = []
    await Promise.all(
      [30, 10, 0].map((ms, i) => queue.run('a', async () => (await pause(ms), order.push(i)))),
    )
    expect(order).toEqual([0, 1, 2])
  })
  it('does not wait for another job', async () => {
    const queue = new PerKeyQueue()
    const order: string[] = []
    await Promise.all([
      queue.run('slow', async () => (await pause(30), order.push('slow'))),
      queue.run('quick', async () => void order.push('quick')),
    ])
    expect(order).toEqual(['quick', 'slow'])
  })
  it('that fails does not hold up what comes after it', async () => {
    const queue = new PerKeyQueue()
    const failed = queue.run('a', () => Promise.reject(new Error('no')))
    const next = queue.run('a', async () => 'done')
    await expect(failed).rejects.toThrow('no')
    expect(await next).toBe('done')
  })
})
