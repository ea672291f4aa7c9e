import { Module } from '@nestjs/common'
import { FiguresModule } from '../figures/figures.module.js'
import { AssignmentsService } from './assignments.service.js'

@Module({ imports: [FiguresModule], providers: [AssignmentsService], exports: [AssignmentsService] })
export class AssignmentsModule {}
