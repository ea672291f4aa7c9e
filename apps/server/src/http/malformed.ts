import type { Server } from 'node:http'
import type { Socket } from 'node:net'

const ANSWERS: Record<string, readonly [number, string, string, string]> = {
  HPE_HEADER_OVERFLOW: [
    431,
    'Request Header Fields Too Large',
    'too-large',
    'the headers of the request are too large',
  ],
  ERR_HTTP_REQUEST_TIMEOUT: [408, 'Request Timeout', 'too-slow', 'the request did not arrive in time'],
}
const OTHERWISE = [400, 'Bad Request', 'bad-request', 'this is not HTTP'] as const

/** What is no HTTP never reaches the application: it gets the one error shape here, as far as the connection still takes an answer. */
export function answerMalformed(server: Server): void {
  server.on('clientError', (problem: NodeJS.ErrnoException, socket: Socket) => {
    if (!socket.writable) return void socket.destroy()
    const [status, reason, code, message] = ANSWERS[problem.code ?? ''] ?? OTHERWISE
    const body = JSON.stringify({ error: { code, message } })
    socket.end(
      `HTTP/1.1 ${status} ${reason}\r\nContent-Type: application/json; charset=utf-8\r\nContent-Length: ${Buffer.byteLength(body)}\r\nConnection: close\r\n\r\n${body}`,
    )
  })
}
