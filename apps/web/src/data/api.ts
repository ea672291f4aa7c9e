import type { ErrorShape } from '@plumb-mark/core'

/** What the server refused, with its code; `status` 0 when it could not be reached at all. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly path?: string,
    /** False where the answer was not the server's: a proxy on the way, or a page instead of data. */
    readonly own = true,
  ) {
    super(message)
  }

  get unreachable(): boolean {
    return this.status === 0
  }
}

async function call<T>(method: string, address: string, body?: BodyInit, type?: string): Promise<T> {
  const headers: Record<string, string> = { 'x-plumb-mark': '1', ...(type && { 'content-type': type }) }
  const response = await fetch(address, { method, headers, ...(body !== undefined && { body }) }).catch(
    () => {
      throw new ApiError(0, 'unreachable', 'the server cannot be reached', undefined, false)
    },
  )
  if (response.status === 204) return undefined as T
  const data: unknown = await response.json().catch(() => undefined)
  if (response.ok && data !== undefined) return data as T
  const { error } = (data ?? {}) as Partial<ErrorShape>
  if (error?.code) throw new ApiError(response.status, error.code, error.message, error.path)
  throw new ApiError(
    response.status,
    'fault',
    `what answered (${response.status}) is not the server`,
    undefined,
    false,
  )
}

export const get = <T>(address: string) => call<T>('GET', address)
export const post = <T>(address: string, body: unknown = {}) =>
  call<T>('POST', address, JSON.stringify(body), 'application/json')
export function putFile<T>(address: string, field: string, file: Blob): Promise<T> {
  const form = new FormData()
  form.append(field, file)
  return call<T>('PUT', address, form)
}
/** Sends a file that may be large, and says how much of it is there, 0 to 1: what `fetch` does not tell. */
export function sendFile<T>(
  method: string,
  address: string,
  field: string,
  file: Blob,
  onProgress: (part: number) => void,
): Promise<T> {
  const form = new FormData()
  form.append(field, file)
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest()
    request.open(method, address)
    request.setRequestHeader('x-plumb-mark', '1')
    request.responseType = 'json'
    request.upload.onprogress = ({ loaded, total }) => onProgress(total > 0 ? loaded / total : 0)
    request.onerror = () =>
      reject(new ApiError(0, 'unreachable', 'the server cannot be reached', undefined, false))
    request.onload = () => {
      const { error } = (request.response ?? {}) as Partial<ErrorShape>
      // What is kept without a word is 204; anything else without data was not said by the server.
      const isOurs = request.status === 204 || request.response !== null
      if (request.status < 300 && isOurs) resolve(request.response as T)
      else
        reject(
          new ApiError(
            request.status,
            error?.code ?? 'fault',
            error?.message ?? 'what answered is not the server',
          ),
        )
    }
    request.send(form)
  })
}
/** What a file is to be called, quoted or not (RFC 6266). */
const nameIn = (disposition: string | null): string | undefined =>
  /filename="?([^";]+)"?/.exec(disposition ?? '')?.[1]?.trim()

/** A file with the name that the server gives it, where it gives one; can be called off. */
export async function getFile(
  address: string,
  signal?: AbortSignal,
): Promise<{ name: string | undefined; content: Blob }> {
  const response = await fetch(address, { headers: { 'x-plumb-mark': '1' }, ...(signal && { signal }) }).catch(() => {
    throw new ApiError(0, 'unreachable', 'the server cannot be reached', undefined, false)
  })
  if (!response.ok) {
    const { error } = (await response.json().catch(() => ({}))) as Partial<ErrorShape>
    throw new ApiError(
      response.status,
      error?.code ?? 'fault',
      error?.message ?? 'what answered is not the server',
    )
  }
  const name = nameIn(response.headers.get('content-disposition'))
  return { name, content: await response.blob() }
}
export const putBytes = <T>(address: string, bytes: Uint8Array) =>
  call<T>('PUT', address, bytes as BodyInit, 'application/octet-stream')
export const put = <T>(address: string, body: unknown) =>
  call<T>('PUT', address, JSON.stringify(body), 'application/json')
export const remove = (address: string) => call<undefined>('DELETE', address)
