import { lazy } from 'react';
import { createBrowserRouter } from 'react-router';
import { Bench } from '../places/bench/Bench.tsx';
import { Frame } from './Frame.tsx';
import { JoinWay } from './JoinWay.tsx';
import { PlaceMishap } from '../parts/tables/Mishap.tsx';

/** An empty kitchen begins where a batch does. */
const newMake = () => import('../places/new-make/NewMake.tsx');
const FirstShelf = lazy(async () => ({ default: (await newMake()).FirstShelf }));
const Welcome = lazy(async () => ({ default: (await newMake()).Welcome }));

const waiting = <p className="quiet">Opening …</p>;

/** The places; all but the Bench come when they are opened. */
export function createRouter() {
  return createBrowserRouter([
    {
      path: '/',
      element: <Frame />,
      hydrateFallbackElement: waiting,
      errorElement: <PlaceMishap />,
      children: [
        {
          errorElement: <PlaceMishap />,
          children: [
            { index: true, element: <Bench FirstShelf={FirstShelf} Welcome={Welcome} /> },
            {
              path: 'new',
              lazy: async () => ({ Component: (await newMake()).NewMake }),
            },
            {
              path: 'makes/:id',
              lazy: async () => {
                const [{ OneMake }, { MakePlace }] = await Promise.all([
                  import('./OneMake.tsx'),
                  import('../places/make/MakePlace.tsx'),
                ]);
                return { element: <OneMake Make={MakePlace} /> };
              },
            },
            {
              path: 'day',
              lazy: async () => ({ Component: (await import('../places/day/DayPlace.tsx')).DayPlace }),
            },
            {
              path: 'daybook',
              lazy: async () => ({ Component: (await import('../places/daybook/Daybook.tsx')).Daybook }),
            },
            {
              path: 'daybook/answers',
              lazy: async () => ({ Component: (await import('../places/daybook/Answers.tsx')).Answers }),
            },
            {
              path: 'daybook/costs',
              lazy: async () => ({ Component: (await import('../places/daybook/Costs.tsx')).Costs }),
            },
            {
              path: 'daybook/year',
              lazy: async () => ({ Component: (await import('../places/daybook/Year.tsx')).Year }),
            },
            {
              path: 'daybook/:id/beside/:other',
              lazy: async () => ({ Component: (await import('../places/daybook/Beside.tsx')).Beside }),
            },
            {
              path: 'daybook/:id',
              lazy: async () => {
                const [{ OneMake }, { Record }] = await Promise.all([
                  import('./OneMake.tsx'),
                  import('../places/daybook/Record.tsx'),
                ]);
                return { element: <OneMake Make={Record} /> };
              },
            },
            {
              path: 'makes/:id/file',
              lazy: async () => {
                const [{ OneMake }, { FilePlace }] = await Promise.all([
                  import('./OneMake.tsx'),
                  import('../places/file/FilePlace.tsx'),
                ]);
                return { element: <OneMake Make={FilePlace} /> };
              },
            },
            {
              path: 'why/:id',
              lazy: async () => {
                const [{ OneMake }, { WhyOfBatch }] = await Promise.all([
                  import('./OneMake.tsx'),
                  import('../places/why/WhyOfBatch.tsx'),
                ]);
                return { element: <OneMake Make={WhyOfBatch} /> };
              },
            },
            {
              path: 'why',
              lazy: async () => ({
                Component: (await import('../places/why/WhyRemembered.tsx')).WhyRemembered,
              }),
            },
            {
              path: 'milk/:part?',
              lazy: async () => ({
                Component: (await import('../places/milk-room/MilkRoom.tsx')).MilkRoom,
              }),
            },
            {
              path: 'cultures/:part?',
              lazy: async () => ({
                Component: (await import('../places/cultures/CulturesPlace.tsx')).CulturesPlace,
              }),
            },
            {
              path: 'larder/:part?/:more?',
              lazy: async () => ({
                Component: (await import('../places/larder/LarderPlace.tsx')).LarderPlace,
              }),
            },
            {
              path: 'methods',
              lazy: async () => ({
                Component: (await import('../places/methods/MethodsPlace.tsx')).MethodsPlace,
              }),
            },
            {
              path: 'sums/:name?',
              lazy: async () => ({ Component: (await import('../places/sums/SumsPlace.tsx')).SumsPlace }),
            },
            {
              path: 'help',
              lazy: async () => ({ Component: (await import('../places/help/HelpPlace.tsx')).HelpPlace }),
            },
            {
              path: 'practice',
              lazy: async () => ({
                Component: (await import('../places/practice/PracticePlace.tsx')).PracticePlace,
              }),
            },
            {
              path: 'practice/sheet',
              lazy: async () => ({
                Component: (await import('../places/practice/PracticeSheet.tsx')).PracticeSheet,
              }),
            },
            {
              path: 'practice/:what',
              lazy: async () => {
                const [{ PracticeRun }, { MakePlace }] = await Promise.all([
                  import('../places/practice/PracticeRun.tsx'),
                  import('../places/make/MakePlace.tsx'),
                ]);
                return { element: <PracticeRun Make={MakePlace} /> };
              },
            },
            {
              path: 'tag/:tag',
              lazy: async () => ({ Component: (await import('./TagWay.tsx')).TagWay }),
            },
            {
              path: 'device',
              lazy: async () => ({
                Component: (await import('../places/device/DevicePlace.tsx')).DevicePlace,
              }),
            },
            { path: 'join', element: <JoinWay /> },
            {
              path: 'kitchen/:part?',
              lazy: async () => ({
                Component: (await import('../places/kitchen/KitchenPlace.tsx')).KitchenPlace,
              }),
            },
            // Parts and panels with their states, for whoever works on them.
            ...(import.meta.env.DEV
              ? [
                  {
                    path: 'gallery',
                    lazy: async () => ({ Component: (await import('./gallery/Gallery.tsx')).Gallery }),
                  },
                ]
              : []),
            { path: '*', lazy: async () => ({ Component: (await import('./NotHere.tsx')).NotHere }) },
          ],
        },
      ],
    },
  ]);
}
