/** A piece of the client by itself: signed in, with what the shop knows, and a server that a test answers for. */
import type { ReactElement, ReactNode } from 'react';
import { render, type RenderResult } from '@testing-library/react';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { MemoryRouter, Route, Routes } from 'react-router';
import type { Role } from '#contract/access.ts';
import type { KnownView } from '#contract/builds.ts';
import type { SessionView } from '#contract/session.ts';

export interface Asked {
  method: string;
  path: string;
  body: Record<string, unknown> | null;
}
type Answer = { status?: number; body: unknown };

/** Takes the place of the network: every request is noted, and answered by `answer`; nobody answers where that gives nothing. */
export function serve(answer: (asked: Asked) => Answer | null): { asked: Asked[]; end: () => void } {
  const real = globalThis.fetch;
  const asked: Asked[] = [];
  globalThis.fetch = (async (url: string, init: { method?: string; body?: string } = {}) => {
    const one: Asked = {
      method: init.method ?? 'GET',
      path: url,
      body: typeof init.body === 'string' ? (JSON.parse(init.body) as Asked['body']) : null,
    };
    asked.push(one);
    const given = answer(one);
    if (given === null) throw new TypeError('no network');
    const { status = 200, body } = given;
    return {
      ok: status < 400,
      status,
      headers: new Headers(),
      json: async () => body,
    } as unknown as Response;
  }) as unknown as typeof fetch;
  return { asked, end: () => (globalThis.fetch = real) };
}

export const refused = (status: number, detail: string, fields: object[] = []): Answer => ({
  status,
  body: { type: 'x', title: 'x', status, detail, fields },
});

const CARS = ['hearse', 'estate', 'drophead'];
const known: KnownView = {
  builds: CARS.map((name) => ({ id: name, name, aliases: [], customer: '' })),
  people: [],
  vendors: [{ id: 'v', name: 'Cobb Springs' }],
  places: [],
};

const session = (role: Role): SessionView => ({
  person: { id: 'p', name: 'Wren Osgood', role },
  shop: {
    ...{ id: 's', name: 'Saltmarsh', currency: 'GBP', units: 'imperial', locale: 'en-GB' },
    ...{ timeZone: 'Europe/London', isDemo: false },
  },
  today: '2026-03-11',
  demo: false,
  firstRun: false,
});

interface Around {
  role?: Role;
  /** The address, and the pattern that it answers to. */
  at?: string;
  pattern?: string;
  /** What has been read already, by key. */
  data?: [readonly string[], unknown][];
}

/** The surroundings of a page, for `render` and `renderHook`. */
export function around({ role = 'owner', at = '/', pattern = '/', data = [] }: Around = {}) {
  const client = new QueryClient({
    defaultOptions: { queries: { retry: false, staleTime: Infinity }, mutations: { retry: false } },
  });
  client.setQueryData(['sessionRead'], session(role));
  client.setQueryData(['known'], known);
  for (const [key, value] of data) client.setQueryData(key, value);
  return function Wrapper({ children }: { children: ReactNode }) {
    return (
      <QueryClientProvider client={client}>
        <MemoryRouter initialEntries={[at]}>
          <Routes>
            <Route path={pattern} element={children} />
            <Route path="*" element={null} />
          </Routes>
        </MemoryRouter>
      </QueryClientProvider>
    );
  };
}

export const show = (page: ReactElement, where: Around = {}): RenderResult =>
  render(page, { wrapper: around(where) });
