import {
  BadRequestException,
  Body,
  Controller,
  Get,
  Header,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Post,
  Put,
  Query,
  StreamableFile,
  UploadedFile,
  UseInterceptors,
} from '@nestjs/common';
import { FileInterceptor } from '@nestjs/platform-express';
import {
  ArriveDto,
  OrderDto,
  StockDto,
  TelephoneOrderDto,
  WhyDto,
  type CommandAnswer,
  type PartsView,
  type PlanView,
  type PriceListView,
} from '@jubb/contract';
import { buyingWays, type BuyingWay } from '@jubb/core/parts';
import { AllowedFor, EVERY_ROLE, Me } from '../auth/access.ts';
import type { Person } from '../auth/person.entity.ts';
import type { Asker } from '../jobs/asker.ts';
import { FILE, FORM } from '../bounds/bounds.ts';
import { CatalogueService } from './catalogue.service.ts';
import { PartsService } from './parts.service.ts';

const asker = (person: Person): Asker => ({ person, at: new Date(), device: 'parts desk' });

@Controller('api')
export class PartsController {
  constructor(
    private readonly parts: PartsService,
    private readonly catalogue: CatalogueService,
  ) {}

  /** To order, on its way, arrived, the drawers and the supersessions. */
  @Get('parts')
  @AllowedFor(...EVERY_ROLE)
  view(): Promise<PartsView> {
    return this.parts.view();
  }

  /** The list of a job as it makes itself, bought one way or another. */
  @Get('jobs/:id/parts')
  @AllowedFor(...EVERY_ROLE)
  plan(@Param('id', ParseUUIDPipe) id: string, @Query('way') way = 'cheapest'): Promise<PlanView> {
    return this.parts.plan(id, wayOf(way));
  }

  @Post('jobs/:id/orders')
  @HttpCode(200)
  @AllowedFor(...EVERY_ROLE)
  order(@Param('id', ParseUUIDPipe) id: string, @Body() body: OrderDto, @Me() person: Person): Promise<CommandAnswer> {
    return this.parts.order(id, body.commandId, body.way, asker(person));
  }

  /** Ordered by telephone: from whomever, at the price that was said. */
  @Post('jobs/:id/orders/by-telephone')
  @HttpCode(200)
  @AllowedFor(...EVERY_ROLE)
  byTelephone(
    @Param('id', ParseUUIDPipe) id: string,
    @Body() body: TelephoneOrderDto,
    @Me() person: Person,
  ): Promise<CommandAnswer> {
    return this.parts.orderByTelephone(id, body, asker(person));
  }

  @Post('parts/lines/:line/arrive')
  @HttpCode(200)
  @AllowedFor(...EVERY_ROLE)
  arrive(@Param('line') line: string, @Body() body: ArriveDto, @Me() person: Person): Promise<CommandAnswer> {
    return this.parts.arrive(line, body, asker(person));
  }

  @Post('parts/lines/:line/send-back')
  @HttpCode(200)
  @AllowedFor(...EVERY_ROLE)
  sendBack(@Param('line') line: string, @Body() body: WhyDto, @Me() person: Person): Promise<CommandAnswer> {
    return this.parts.sendBack(line, body, asker(person));
  }

  @Post('parts/lines/:line/cancel')
  @HttpCode(200)
  @AllowedFor('owner', 'parts')
  cancel(@Param('line') line: string, @Body() body: WhyDto, @Me() person: Person): Promise<CommandAnswer> {
    return this.parts.cancel(line, body, asker(person));
  }

  @Put('parts/stock/:number')
  @HttpCode(204)
  @AllowedFor(...EVERY_ROLE)
  stock(@Param('number') number: string, @Body() body: StockDto): Promise<void> {
    return this.catalogue.setStock(number.slice(0, 40), body);
  }

  @Get('parts/price-list.csv')
  @AllowedFor('owner', 'parts')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="price-list.csv"')
  async csv(): Promise<StreamableFile> {
    return new StreamableFile(await this.catalogue.csv());
  }

  /** Says what a price list would change; with `apply=yes` it is done. */
  @Post('parts/price-list')
  @HttpCode(200)
  @AllowedFor('owner', 'parts')
  @UseInterceptors(FileInterceptor('file', { limits: { ...FORM, fileSize: FILE.priceList, files: 1 } }))
  priceList(
    @Query('supplier') supplier: string | undefined,
    @Query('apply') apply: string | undefined,
    @UploadedFile() file?: Express.Multer.File,
  ): Promise<PriceListView> {
    const name = supplier?.trim().slice(0, 80);
    if (!name)
      throw new BadRequestException({
        message: 'supplier: whose list is it?',
        errors: { supplier: ['Whose list is it?'] },
      });
    if (!file)
      throw new BadRequestException({ message: 'file: no list came', errors: { file: ['A CSV file is due'] } });
    return this.catalogue.priceList(file.buffer, name, apply === 'yes');
  }
}

function wayOf(way: string): BuyingWay {
  const known = buyingWays.find((w) => w === way);
  if (!known)
    throw new BadRequestException({
      message: `way: "${way}"; one of ${buyingWays.join(', ')}`,
      errors: { way: [`One of: ${buyingWays.join(', ')}`] },
    });
  return known;
}
