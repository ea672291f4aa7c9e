import { Body, Controller, Get, Put } from '@nestjs/common'
import { CalculatorsDto, JobRulesDto, WantedDto, ReportLook, validateMinutes } from '@plumb-mark/contract'
import type { MinutesByKind } from '@plumb-mark/core'
import { Anyone, MayCall } from '../http/access.js'
import { Audited } from '../audit/audited.js'
import { Refused } from '../http/refused.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { AssignmentsService } from '../assignments/assignments.service.js'
import { FiguresService } from '../figures/figures.service.js'
import { SheetsService } from '../sheets/sheets.service.js'
import { ReportLookService } from './report-look.service.js'

const MINUTES = 'minutes-by-kind'
const CALCULATORS = 'calculators'
const JOB_RULES = 'job-rules'

/** What the office knows better than the program: how long a check takes with its own people. */
@Controller('api/office')
export class OfficeController {
  constructor(
    private readonly figures: FiguresService,
    private readonly look: ReportLookService,
    private readonly sheets: SheetsService,
    private readonly assignments: AssignmentsService,
  ) {}

  @MayCall('inspector', 'reviewer', 'office')
  @Get('minutes')
  async minutes(): Promise<MinutesByKind> {
    return (await this.figures.read<MinutesByKind>(MINUTES)) ?? {}
  }

  @MayCall('office')
  @Audited('minutes changed')
  @Put('minutes')
  async adjust(@Body() body: unknown): Promise<MinutesByKind> {
    const checked = validateMinutes(body)
    if (!checked.ok) throw new Refused(400, checked.error.code, checked.error.message, checked.error.path)
    await this.figures.keep(MINUTES, checked.value)
    return checked.value
  }

  /** Whether the calculators answer whoever stands at this server: they know no job, and deny is the default. */
  @Anyone()
  @Get('calculators')
  async calculators(): Promise<CalculatorsDto> {
    return (await this.figures.read<CalculatorsDto>(CALCULATORS)) ?? { open: false }
  }

  @MayCall('office')
  @Audited('calculators changed')
  @Put('calculators')
  async openCalculators(
    @Body(new DtoPipe(CalculatorsDto)) { open }: CalculatorsDto,
  ): Promise<CalculatorsDto> {
    await this.figures.keep(CALCULATORS, { open })
    return { open }
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Get('four-eyes')
  async fourEyes(): Promise<WantedDto> {
    return { wanted: await this.sheets.fourEyes() }
  }

  @MayCall('office')
  @Audited('four eyes changed')
  @Put('four-eyes')
  wantFourEyes(@Body(new DtoPipe(WantedDto)) { wanted }: WantedDto): Promise<WantedDto> {
    return this.sheets.wantFourEyes(wanted)
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Get('assigned-only')
  async assignedOnly(): Promise<WantedDto> {
    return { wanted: await this.assignments.wanted() }
  }

  @MayCall('office')
  @Audited('assignments changed')
  @Put('assigned-only')
  wantAssigned(@Body(new DtoPipe(WantedDto)) { wanted }: WantedDto): Promise<WantedDto> {
    return this.assignments.want(wanted)
  }

  @MayCall('inspector', 'office')
  @Get('job-rules')
  async jobRules(): Promise<JobRulesDto> {
    return (await this.figures.read<JobRulesDto>(JOB_RULES)) ?? { school: 'iec' }
  }

  @MayCall('office')
  @Audited('rules changed')
  @Put('job-rules')
  async keepJobRules(@Body(new DtoPipe(JobRulesDto)) rules: JobRulesDto): Promise<JobRulesDto> {
    await this.figures.keep(JOB_RULES, rules)
    return rules
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Get('report')
  reportLook(): Promise<ReportLook> {
    return this.look.read()
  }

  @MayCall('office')
  @Audited('reports changed')
  @Put('report')
  keepReportLook(@Body(new DtoPipe(ReportLook)) look: ReportLook): Promise<ReportLook> {
    return this.look.keep(look)
  }
}
