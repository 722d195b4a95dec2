import { Global, Module } from '@nestjs/common';
import { AuthModule } from '../auth/auth.module.ts';
import { InstrumentsModule } from '../instruments/instruments.module.ts';
import { SheetsModule } from '../sheets/sheets.module.ts';
import { CertificatesController } from './certificates.controller.ts';
import { CertificatesService } from './certificates.service.ts';
import { DrawersService } from './drawers.service.ts';
import { FirstStepsService } from './first-steps.service.ts';
import { OwnInstrumentsService } from './own-instruments.service.ts';
import { PeopleController } from './people.controller.ts';
import { PeopleService } from './people.service.ts';
import { PlacesService } from './places.service.ts';
import { SheetsDoneService } from './sheets-done.service.ts';
import { ShopChangesService } from './shop-changes.service.ts';
import { ShopController } from './shop.controller.ts';

/** A shop of one's own. Whoever changes a setting elsewhere writes it down here too. */
@Module({
  imports: [AuthModule, InstrumentsModule, SheetsModule],
  controllers: [PeopleController, ShopController, CertificatesController],
  providers: [
    CertificatesService,
    SheetsDoneService,
    PeopleService,
    PlacesService,
    DrawersService,
    OwnInstrumentsService,
    FirstStepsService,
  ],
})
export class ShopModule {}

/** The log of changes alone, for the rooms whose settings it also keeps. */
@Global()
@Module({ providers: [ShopChangesService], exports: [ShopChangesService] })
export class ShopChangesModule {}
