import type {
  BackupsView,
  CertificateView,
  CustomerPage,
  CustomerRow,
  CustomerView,
  DocumentView,
  DoorView,
  FirstStepView,
  FloorView,
  FoundView,
  ImportedView,
  InstrumentView,
  InvoiceDraftView,
  InvoiceRow,
  InvoiceSettingsView,
  InvoiceView,
  JobLine,
  JobView,
  LessonView,
  MeView,
  OfferView,
  PartsView,
  NameView,
  NetworkView,
  PlanMove,
  PlanView,
  QualityView,
  SheetLine,
  ShopChangeView,
  ShopDrawerView,
  ShopPersonView,
  ShopPlacesView,
  SlackView,
  StoresView,
  SupplierView,
  UnitView,
  WeekView,
} from '@jubb/contract';
import type { JobExport } from '@jubb/core/bench/verify';
import type { PastCauses } from '@jubb/core/bench';
import type { BuyingWay } from '@jubb/core/parts';
import type { Sheet } from '@jubb/core/sheet';
import { queryOptions } from '@tanstack/react-query';
import { api } from './client.ts';

/**
 * A job fetched again: the same head hash is the same log, so its events and sheet stay the objects that are folded
 * already, and a thousand events are not compared one by one.
 */
export function shared(kept: JobView | undefined, came: JobView): JobView {
  if (!kept || kept.events.at(-1)?.hash !== came.events.at(-1)?.hash) return came;
  const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
  const rest = (['drawers', 'history', 'documents', 'signatures'] as const).every((k) => same(kept[k], came[k]));
  return rest ? kept : { ...came, events: kept.events, sheet: kept.sheet };
}

/** Key and fetcher of each thing asked for, together. */
export const queries = {
  people: () => queryOptions({ queryKey: ['people'], queryFn: () => api<NameView[]>('people') }),
  door: () => queryOptions({ queryKey: ['door'], queryFn: () => api<DoorView>('door') }),
  me: () => queryOptions({ queryKey: ['me'], queryFn: () => api<MeView>('me'), staleTime: 60_000 }),
  floor: () => queryOptions({ queryKey: ['floor'], queryFn: () => api<FloorView>('floor'), refetchInterval: 60_000 }),
  handedOver: () => queryOptions({ queryKey: ['handed-over'], queryFn: () => api<JobLine[]>('jobs/handed-over') }),
  job: (id: string) =>
    queryOptions({
      queryKey: ['job', id],
      queryFn: () => api<JobView>(`jobs/${id}`),
      // However new what is kept is: another device may have gone on meanwhile, unheard.
      refetchOnMount: 'always',
      structuralSharing: (kept, came) => shared(kept as JobView | undefined, came as JobView),
    }),
  offer: (id: string) => queryOptions({ queryKey: ['offer', id], queryFn: () => api<OfferView>(`jobs/${id}/offer`) }),
  plan: (id: string, way: BuyingWay) =>
    queryOptions({ queryKey: ['plan', id, way], queryFn: () => api<PlanView>(`jobs/${id}/parts?way=${way}`) }),
  parts: () => queryOptions({ queryKey: ['parts'], queryFn: () => api<PartsView>('parts'), refetchInterval: 5000 }),
  week: () =>
    queryOptions({
      queryKey: ['week'],
      queryFn: () => api<WeekView>('plan'),
      staleTime: 30_000,
      refetchOnMount: 'always',
    }),
  planMoves: () =>
    queryOptions({ queryKey: ['plan-moves'], queryFn: () => api<PlanMove[]>('plan/moves'), refetchInterval: 15_000 }),
  slack: () =>
    queryOptions({ queryKey: ['week', 'slack'], queryFn: () => api<SlackView>('plan/slack'), refetchInterval: 60_000 }),
  quality: () => queryOptions({ queryKey: ['quality'], queryFn: () => api<QualityView>('quality'), retry: false }),
  shopPeople: () => queryOptions({ queryKey: ['shop', 'people'], queryFn: () => api<ShopPersonView[]>('shop/people') }),
  shopPlaces: () => queryOptions({ queryKey: ['shop', 'places'], queryFn: () => api<ShopPlacesView>('shop/places') }),
  shopDrawers: () =>
    queryOptions({ queryKey: ['shop', 'drawers'], queryFn: () => api<ShopDrawerView[]>('shop/drawers') }),
  certificates: () =>
    queryOptions({ queryKey: ['instruments', 'certificates'], queryFn: () => api<CertificateView[]>('certificates') }),
  stores: () => queryOptions({ queryKey: ['parts', 'stores'], queryFn: () => api<StoresView>('stores') }),
  suppliers: () =>
    queryOptions({ queryKey: ['parts', 'suppliers'], queryFn: () => api<SupplierView[]>('stores/suppliers') }),
  invoices: () => queryOptions({ queryKey: ['invoices'], queryFn: () => api<InvoiceRow[]>('invoices') }),
  invoice: (id: string) =>
    queryOptions({ queryKey: ['invoices', id], queryFn: () => api<InvoiceView>(`invoices/${id}`) }),
  invoiceDraft: (job: string) =>
    queryOptions({
      queryKey: ['invoices', 'draft', job],
      queryFn: () => api<InvoiceDraftView>(`invoices/draft/${job}`),
      // What is being put right on the screen is not put back by another look.
      refetchOnWindowFocus: false,
      staleTime: Infinity,
      gcTime: 0,
    }),
  invoiceSettings: () =>
    queryOptions({ queryKey: ['invoices', 'settings'], queryFn: () => api<InvoiceSettingsView>('invoices/settings') }),
  network: () => queryOptions({ queryKey: ['shop', 'network'], queryFn: () => api<NetworkView>('shop/network') }),
  /** Looked at again and again while one is taken. */
  backups: () =>
    queryOptions({
      queryKey: ['shop', 'backups'],
      queryFn: () => api<BackupsView>('shop/backups'),
      refetchInterval: (q) => (q.state.data?.all.some((b) => b.state === 'running') ? 1000 : false),
    }),
  shopChanges: () =>
    queryOptions({ queryKey: ['shop', 'changes'], queryFn: () => api<ShopChangeView[]>('shop/changes') }),
  firstSteps: () =>
    queryOptions({ queryKey: ['shop', 'first-steps'], queryFn: () => api<FirstStepView[]>('shop/first-steps') }),
  calendar: () => queryOptions({ queryKey: ['calendar'], queryFn: () => api<{ url: string | null }>('calendar') }),
  imported: (serial: string) =>
    queryOptions({
      queryKey: ['imported', serial],
      queryFn: () => api<ImportedView[]>(`records/imported?serial=${encodeURIComponent(serial)}`),
    }),
  pastCauses: (sheet: string) =>
    queryOptions({
      queryKey: ['past-causes', sheet],
      queryFn: () => api<Readonly<Record<string, PastCauses>>>(`sheets/${sheet}/past-causes`),
    }),
  record: (id: string) =>
    queryOptions({
      queryKey: ['record', id],
      queryFn: () => api<JobExport>(`jobs/${id}/record.json`),
      staleTime: 0,
      gcTime: 0,
    }),
  instruments: () =>
    queryOptions({
      queryKey: ['instruments'],
      queryFn: () => api<InstrumentView[]>('instruments'),
      refetchInterval: 30_000,
    }),
  sheets: () => queryOptions({ queryKey: ['sheets'], queryFn: () => api<SheetLine[]>('sheets') }),
  documents: (id: string) =>
    queryOptions({ queryKey: ['documents', id], queryFn: () => api<DocumentView[]>(`sheets/${id}/documents`) }),
  lessons: (id: string) =>
    queryOptions({ queryKey: ['lessons', id], queryFn: () => api<LessonView[]>(`sheets/${id}/lessons`) }),
  unit: (id: string) => queryOptions({ queryKey: ['unit', id], queryFn: () => api<UnitView>(`units/${id}`) }),
  search: (q: string) =>
    queryOptions({
      queryKey: ['search', q],
      queryFn: () => api<FoundView[]>(`search?q=${encodeURIComponent(q)}`),
      enabled: q.trim() !== '',
      gcTime: 60_000,
    }),
  sheet: (id: string) =>
    queryOptions({ queryKey: ['sheet', id], queryFn: () => api<Sheet>(`sheets/${id}`), enabled: id !== '' }),
  allCustomers: () =>
    queryOptions({ queryKey: ['customers', 'all'], queryFn: () => api<CustomerRow[]>('customers/all') }),
  customer: (id: string) =>
    queryOptions({
      queryKey: ['customers', 'page', id],
      queryFn: () => api<CustomerPage>(`customers/${id}`),
      refetchOnMount: 'always',
    }),
  customers: (q: string) =>
    queryOptions({
      queryKey: ['customers', q],
      queryFn: () => api<CustomerView[]>(`customers?q=${encodeURIComponent(q)}`),
      enabled: q.length > 1,
    }),
  units: (q: string) =>
    queryOptions({
      queryKey: ['units', q],
      queryFn: () => api<UnitView[]>(`units?q=${encodeURIComponent(q)}`),
      enabled: q.length > 2,
    }),
};
