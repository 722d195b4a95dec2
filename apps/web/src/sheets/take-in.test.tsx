/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import { librarySheet } from '@jubb/core/sheet/fixtures';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { Refusal, serve, show, type Asked } from '../server.fixtures.tsx';
import { SheetDocuments } from './sheet-documents.tsx';
import { TakeIn } from './take-in.tsx';

afterEach(cleanup);
const choose = (label: string, name: string, text: string): void => {
  const file = Object.assign(new File([text], name), { text: () => Promise.resolve(text) });
  fireEvent.change(screen.getByLabelText(label), { target: { files: [file] } });
};

describe('a sheet of another workshop', () => {
  test('is read first, each remark at its line, and taken in by a press', async () => {
    const asked = serve({
      'sheets/lint': {
        usable: true,
        problems: [{ line: 12, path: '/parts', code: 'x', message: 'a part without use' }],
      },
      'sheets/import': { id: 'hub-new', revision: 1 },
    });
    show(<TakeIn />);
    choose('Build sheet file', 'hub-new.yaml', 'jubb: build-sheet/1');
    expect((await screen.findByRole('status')).textContent).toContain('hub-new.yaml: it can be used, 1 remarks.');
    expect(screen.getByText('Line 12: a part without use')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Take it in' }));
    expect((await screen.findByRole('link', { name: 'hub-new' })).getAttribute('href')).toBe('/sheets/hub-new');
    expect(asked.map((a: Asked) => a.body)).toEqual([
      { source: 'jubb: build-sheet/1' },
      { source: 'jubb: build-sheet/1' },
    ]);
  });

  test('that cannot be used is not offered; one that is refused says why', async () => {
    serve({ 'sheets/lint': { usable: false, problems: [] } });
    const { unmount } = show(<TakeIn />);
    choose('Build sheet file', 'odd.yaml', 'x');
    expect((await screen.findByRole('status')).textContent).toContain('it cannot be used, nothing to remark.');
    expect(screen.queryByRole('button', { name: 'Take it in' })).toBeNull();
    unmount();
    serve({ 'sheets/lint': new Refusal(413, 'source: at most 400 kB') });
    show(<TakeIn />);
    choose('Build sheet file', 'huge.yaml', 'x');
    expect((await screen.findByRole('alert')).textContent).toBe('source: at most 400 kB');
  });
});

describe('the documents that figures name', () => {
  const hub = librarySheet('hub-dolly');
  const sheet = { ...hub, from: { kind: 'maker' as const, document: 'Brindlow BD-6 sheet', page: '4' } };

  test('one that is there opens, one that is not can be attached by who may', async () => {
    const asked = serve({ 'sheets/hub-dolly/documents': { id: 'd1' } });
    const { unmount } = show(<SheetDocuments sheet={sheet} documents={[]} mayAttach={false} />);
    expect(screen.getByText('Brindlow BD-6 sheet').textContent).toContain('not attached');
    expect(screen.queryByLabelText('Attach Brindlow BD-6 sheet')).toBeNull();
    unmount();
    show(
      <SheetDocuments
        sheet={sheet}
        documents={[{ id: 'd1', name: 'brindlow bd-6 SHEET', mime: 'image/png' }]}
        mayAttach
      />,
    );
    expect(screen.getByRole('link', { name: 'Brindlow BD-6 sheet' }).getAttribute('href')).toBe('/api/documents/d1');
    choose('Replace Brindlow BD-6 sheet', 'page.pdf', '%PDF');
    await waitFor(() => expect(asked.at(-1)).toMatchObject({ method: 'POST', path: 'sheets/hub-dolly/documents' }));
  });

  test('what the server will not keep is said', async () => {
    serve({ 'sheets/hub-dolly/documents': new Refusal(415, 'document: a PDF or a picture is due') });
    show(<SheetDocuments sheet={sheet} documents={[]} mayAttach />);
    choose('Attach Brindlow BD-6 sheet', 'page.exe', 'MZ');
    expect((await screen.findByRole('alert')).textContent).toBe('document: a PDF or a picture is due');
  });
});
