import { Body, Controller, Get, Put } from '@nestjs/common'
import { CalculatorsDto, FourEyesDto, ReportLook, validateMinutes } from '@plumb-mark/contract'
import type { MinutesByKind } from '@plumb-mark/core'
import { Anyone, MayCall } from '../http/access.js'
import { Audited } from '../audit/audited.js'
import { Refused } from '../http/refused.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { FiguresService } from '../figures/figures.service.js'
import { SheetsService } from '../sheets/sheets.service.js'
import { ReportLookService } from './report-look.service.js'

const MINUTES = 'minutes-by-kind'
const CALCULATORS = 'calculators'

/** What the office knows better than the program: how long a check takes with its own people. */
@Controller('api/office')
export class OfficeController {
  constructor(
    private readonly figures: FiguresService,
    private readonly look: ReportLookService,
    private readonly sheets: SheetsService,
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
  async fourEyes(): Promise<FourEyesDto> {
    return { wanted: await this.sheets.fourEyes() }
  }

  @MayCall('office')
  @Audited('four eyes changed')
  @Put('four-eyes')
  wantFourEyes(@Body(new DtoPipe(FourEyesDto)) { wanted }: FourEyesDto): Promise<FourEyesDto> {
    return this.sheets.wantFourEyes(wanted)
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
