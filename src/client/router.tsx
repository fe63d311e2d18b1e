/** Addresses and their pages. Pages load when they are first needed. */
import type { ComponentType } from 'react';
import type { QueryClient } from '@tanstack/react-query';
import { createBrowserRouter, redirect } from 'react-router';
import FloorPage from './features/builds/FloorPage.tsx';
import { floorQuery } from './features/builds/floor.queries.ts';
import { loansQuery } from './features/tools/tools.queries.ts';
import { upkeepQuery } from './features/upkeep/upkeep.queries.ts';
import { waitsQuery } from './features/waits/waits.queries.ts';
import { runningQuery } from './features/work/work.queries.ts';
import { Layout } from './shell/Layout.tsx';
import { NoSuchPage, RouteProblem } from './shell/Problem.tsx';
import { sessionQuery } from './shared/session.ts';
import { Quiet } from './ui/parts.tsx';

const page = (load: () => Promise<{ default: ComponentType }>) => async () => ({
  Component: (await load()).default,
});

export const makeRouter = (client: QueryClient) =>
  createBrowserRouter([
    {
      ErrorBoundary: RouteProblem,
      HydrateFallback: () => <Quiet>Opening …</Quiet>,
      loader: () => client.ensureQueryData(sessionQuery),
      children: [
        { path: '/sign-in', lazy: page(() => import('./features/session/SignInPage.tsx')) },
        { path: '/forgot', lazy: page(() => import('./features/account/ForgotPage.tsx')) },
        { path: '/password/:token', lazy: page(() => import('./features/account/SetPasswordPage.tsx')) },
        { path: '/first-run', lazy: page(() => import('./features/session/FirstRunPage.tsx')) },
        ...(import.meta.env.DEV ? [{ path: '/dev/ui', lazy: page(() => import('./ui/Gallery.tsx')) }] : []),
        {
          Component: Layout,
          loader: async () => {
            const session = await client.ensureQueryData(sessionQuery);
            if (!session.person) return redirect(session.firstRun ? '/first-run' : '/sign-in');
            // What stands above every page is there with the first one: a page that moved down later would be pressed amiss.
            await Promise.all([
              import('./features/work/RunningBar.tsx'),
              client.prefetchQuery({ ...runningQuery, retry: false }),
              ...(session.person.role === 'technician'
                ? []
                : [
                    import('./features/upkeep/UpkeepBar.tsx'),
                    client.prefetchQuery({ ...upkeepQuery, retry: false }),
                  ]),
            ]);
            return null;
          },
          children: [
            {
              ErrorBoundary: RouteProblem,
              children: [
                {
                  path: '/',
                  Component: FloorPage,
                  // All at once: the Floor is read in the order of what holds its cars.
                  loader: () =>
                    Promise.all([
                      client.ensureQueryData(floorQuery),
                      client.ensureQueryData(waitsQuery),
                      client.prefetchQuery(loansQuery),
                    ]),
                },
                { path: '/account', lazy: page(() => import('./features/account/AccountPage.tsx')) },
                { path: '/account/events', lazy: page(() => import('./features/account/EventsPage.tsx')) },
                { path: '/gone', lazy: page(() => import('./features/builds/GonePage.tsx')) },
                { path: '/builds/new', lazy: page(() => import('./features/builds/NewBuildPage.tsx')) },
                { path: '/builds/:buildId', lazy: page(() => import('./features/builds/BuildPage.tsx')) },
                {
                  path: '/builds/:buildId/estimate',
                  lazy: page(() => import('./features/estimate/EstimatePage.tsx')),
                },
                {
                  path: '/builds/:buildId/inspection',
                  lazy: page(() => import('./features/inspection/InspectionPage.tsx')),
                },
                {
                  path: '/builds/:buildId/costs',
                  lazy: page(() => import('./features/costs/CostsPage.tsx')),
                },
                {
                  path: '/builds/:buildId/jobs',
                  lazy: page(() => import('./features/jobs/JobsPage.tsx')),
                },
                {
                  path: '/builds/:buildId/snags',
                  lazy: page(() => import('./features/snags/SnagsPage.tsx')),
                },
                { path: '/tools', lazy: page(() => import('./features/tools/ToolsPage.tsx')) },
                { path: '/bench', lazy: page(() => import('./features/bench/BenchPage.tsx')) },
                {
                  path: '/bench/:calculator',
                  lazy: page(() => import('./features/bench/CalculatorPage.tsx')),
                },
                {
                  path: '/builds/:buildId/bench',
                  lazy: page(() => import('./features/bench/BenchPage.tsx')),
                },
                {
                  path: '/builds/:buildId/bench/:calculator',
                  lazy: page(() => import('./features/bench/CalculatorPage.tsx')),
                },
                { path: '/builds/:buildId/work', lazy: page(() => import('./features/work/WorkPage.tsx')) },
                {
                  path: '/builds/:buildId/causes',
                  lazy: page(() => import('./features/symptoms/SymptomsPage.tsx')),
                },
                {
                  path: '/builds/:buildId/photos',
                  lazy: page(() => import('./features/photos/PhotosPage.tsx')),
                },
                {
                  path: '/builds/:buildId/vehicle',
                  lazy: page(() => import('./features/vehicle/VehiclePage.tsx')),
                },
                { path: '/parts/donors', lazy: page(() => import('./features/parts/DonorsPage.tsx')) },
                { path: '/parts', lazy: page(() => import('./features/parts/PartsDeskPage.tsx')) },
                {
                  path: '/builds/:buildId/parts',
                  lazy: page(() => import('./features/parts/PartsPage.tsx')),
                },
                { path: '/outwork', lazy: page(() => import('./features/outwork/OutworkPage.tsx')) },
                {
                  path: '/builds/:buildId/pieces',
                  lazy: page(() => import('./features/outwork/PiecesPage.tsx')),
                },
                { path: '/builds/:buildId/book', lazy: page(() => import('./features/book/BookPage.tsx')) },
                { path: '/walk', lazy: page(() => import('./features/walk/WalkPage.tsx')) },
                { path: '/say', lazy: page(() => import('./features/entries/DictationPage.tsx')) },
                { path: '/find', lazy: page(() => import('./features/labels/FindPage.tsx')) },
                { path: '/find/:code', lazy: page(() => import('./features/labels/FindPage.tsx')) },
                { path: '/plan', lazy: page(() => import('./features/plan/PlanPage.tsx')) },
                { path: '/costs', lazy: page(() => import('./features/costs/CostsDeskPage.tsx')) },
                { path: '/invoices', lazy: page(() => import('./features/costs/InvoicesPage.tsx')) },
                { path: '/hours', lazy: page(() => import('./features/work/HoursPage.tsx')) },
                { path: '/shop/people', lazy: page(() => import('./features/shop/PeoplePage.tsx')) },
                { path: '/shop/playbooks', lazy: page(() => import('./features/work/PlaybooksPage.tsx')) },
                {
                  path: '/shop/playbooks/:playbook',
                  lazy: page(() => import('./features/work/PlaybookPage.tsx')),
                },
                { path: '/shop/rules', lazy: page(() => import('./features/houseRules/RulesPage.tsx')) },
                { path: '/shop/terms', lazy: page(() => import('./features/estimate/TermsPage.tsx')) },
                { path: '/shop/mail', lazy: page(() => import('./features/mail/MailServerPage.tsx')) },
                { path: '/shop', lazy: page(() => import('./features/shop/ShopPage.tsx')) },
                { path: '/round', lazy: page(() => import('./features/letters/RoundPage.tsx')) },
                { path: '/letters/:letterId', lazy: page(() => import('./features/letters/LetterPage.tsx')) },
                { path: '/outbox', lazy: page(() => import('./features/mail/OutboxPage.tsx')) },
                { path: '*', Component: NoSuchPage },
              ],
            },
          ],
        },
      ],
    },
  ]);
