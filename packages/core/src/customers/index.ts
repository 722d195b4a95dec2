export {
  customerColumns,
  customerProblem,
  customersCsv,
  longestCustomerField,
  readCustomers,
  type CustomerColumn,
  type CustomerFacts,
  type CustomerLine,
} from './customer-csv.ts';
