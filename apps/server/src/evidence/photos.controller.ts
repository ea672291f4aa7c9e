import { basename, dirname } from 'node:path'
import { Body, Controller, Get, Param, ParseUUIDPipe, Put, Query, Res, Req } from '@nestjs/common'
import type { Request, Response } from 'express'
import { PhotoPartDto, type PhotoKept, type PhotoPart, type PhotoRoom } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { By, MayCall } from '../http/access.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { Refused } from '../http/refused.js'
import { uploadOf } from '../http/upload.js'
import { PhotoPartsService } from './photo-parts.service.js'
import { LARGEST_PHOTO_BYTES, PhotosService } from './photos.service.js'

@Controller('api/jobs/:jobId/photos')
export class PhotosController {
  constructor(
    private readonly photos: PhotosService,
    private readonly parts: PhotoPartsService,
  ) {}

  @MayCall('inspector', 'installer', 'reviewer')
  @Put(':id')
  async keep(
    @By() person: Person,
    @Param('jobId', ParseUUIDPipe) jobId: string,
    @Param('id', ParseUUIDPipe) id: string,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<PhotoKept> {
    await this.photos.requireRoom(person, jobId, 0)
    const { folder } = this.photos
    const wish = { field: 'photo', what: 'the picture', mostBytes: LARGEST_PHOTO_BYTES, folder }
    const { path } = await uploadOf(request, response, wish)
    return this.photos.keepFile(person, jobId, id, path)
  }

  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @Get()
  room(@By() person: Person, @Param('jobId', ParseUUIDPipe) jobId: string): Promise<PhotoRoom> {
    return this.photos.room(person, jobId)
  }

  /** How far a photo came that is sent in parts: where the next part begins. */
  @MayCall('inspector', 'installer', 'reviewer')
  @Get(':id/part')
  have(
    @By() person: Person,
    @Param('jobId', ParseUUIDPipe) jobId: string,
    @Param('id', ParseUUIDPipe) id: string,
  ): Promise<PhotoPart> {
    return this.parts.have(person, jobId, id)
  }

  @MayCall('inspector', 'installer', 'reviewer')
  @Put(':id/part')
  part(
    @By() person: Person,
    @Param('jobId', ParseUUIDPipe) jobId: string,
    @Param('id', ParseUUIDPipe) id: string,
    @Query(new DtoPipe(PhotoPartDto)) { from, of }: PhotoPartDto,
    @Body() part: unknown,
  ): Promise<PhotoPart> {
    if (!Buffer.isBuffer(part))
      throw new Refused(400, 'missing', 'send the bytes as application/octet-stream', 'part')
    return this.parts.add(person, jobId, id, { from, of, part })
  }

  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @Get(':id')
  async show(
    @By() person: Person,
    @Param('jobId', ParseUUIDPipe) jobId: string,
    @Param('id', ParseUUIDPipe) id: string,
    @Query('size') size: string,
    @Res() response: Response,
  ): Promise<void> {
    const { file, type } = await this.photos.fileFor(person, jobId, id, size === 'small')
    response.setHeader('Content-Security-Policy', "default-src 'none'; sandbox")
    response.setHeader('Cache-Control', 'private, max-age=86400, immutable')
    // The folder of the data may well be a hidden one: only what lies below it is ours to judge.
    response.type(type).sendFile(basename(file), { root: dirname(file) })
  }
}
