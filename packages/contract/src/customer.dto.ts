import { IsBoolean, IsString, IsUUID, MaxLength } from 'class-validator';
import { longestCustomerField, type CustomerFacts, type CustomerLine } from '@jubb/core/customers';

/** A customer as the shop keeps it. */
export class CustomerDto implements CustomerFacts {
  @IsString({ message: 'A name is due' })
  @MaxLength(longestCustomerField.name)
  name: string;

  @IsString()
  @MaxLength(longestCustomerField.phone)
  phone: string;

  @IsString()
  @MaxLength(longestCustomerField.email)
  email: string;

  @IsString()
  @MaxLength(longestCustomerField.address)
  address: string;

  @IsString()
  @MaxLength(longestCustomerField.notes)
  notes: string;
}
/** The customer that another turned out to be. */
export class MergeDto {
  @IsUUID(undefined, { message: 'Which customer it is' })
  into: string;
}
const LONGEST_CSV = 2_000_000;
/** A CSV of customers: looked at first, then taken. */
export class CustomersCsvDto {
  @IsString({ message: 'The text of the file' })
  @MaxLength(LONGEST_CSV)
  csv: string;

  @IsBoolean({ message: 'Yes or no' })
  take: boolean;
}

export interface CustomerPage extends CustomerFacts {
  readonly id: string;
  readonly units: readonly { readonly id: string; readonly serial: string; readonly model: string }[];
  readonly jobs: readonly {
    readonly id: string;
    readonly number: number;
    readonly title: string;
    readonly stage: string;
  }[];
}
export interface CustomerRow extends CustomerFacts {
  readonly id: string;
  readonly units: number;
  readonly jobs: number;
}
export interface CustomersRead {
  readonly lines: readonly CustomerLine[];
  /** They are in the shop now, all but the wrong ones. */
  readonly taken: boolean;
}
