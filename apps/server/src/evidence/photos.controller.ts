import { basename, dirname } from 'node:path'
import {
  Body,
  Controller,
  Get,
  Param,
  ParseUUIDPipe,
  Put,
  Query,
  Res,
  UploadedFile,
  UseInterceptors,
} from '@nestjs/common'
import { FileInterceptor } from '@nestjs/platform-express'
import type { Response } from 'express'
import { PhotoPartDto, type PhotoKept, type PhotoPart, type PhotoRoom } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { By, MayCall } from '../accounts/access.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { Refused } from '../http/refused.js'
import { PhotoPartsService } from './photo-parts.service.js'
import { LARGEST_PHOTO_BYTES, PhotosService } from './photos.service.js'

@Controller('api/jobs/:jobId/photos')
export class PhotosController {
  constructor(
    private readonly photos: PhotosService,
    private readonly parts: PhotoPartsService,
  ) {}

  @MayCall('inspector', 'installer')
  @UseInterceptors(FileInterceptor('photo', { limits: { fileSize: LARGEST_PHOTO_BYTES, files: 1 } }))
  @Put(':id')
  keep(
    @By() person: Person,
    @Param('jobId', ParseUUIDPipe) jobId: string,
    @Param('id', ParseUUIDPipe) id: string,
    @UploadedFile() file?: { buffer: Buffer },
  ): Promise<PhotoKept> {
    if (!file) throw new Refused(400, 'missing', 'send the picture in the field “photo”', 'photo')
    return this.photos.keep(person, jobId, id, file.buffer)
  }

  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @Get()
  room(@By() person: Person, @Param('jobId', ParseUUIDPipe) jobId: string): Promise<PhotoRoom> {
    return this.photos.room(person, jobId)
  }

  /** How far a photo came that is sent in parts: where the next part begins. */
  @MayCall('inspector', 'installer')
  @Get(':id/part')
  have(
    @By() person: Person,
    @Param('jobId', ParseUUIDPipe) jobId: string,
    @Param('id', ParseUUIDPipe) id: string,
  ): Promise<PhotoPart> {
    return this.parts.have(person, jobId, id)
  }

  @MayCall('inspector', 'installer')
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
