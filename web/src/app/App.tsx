import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { useQuery } from '@tanstack/react-query';
import { PersistQueryClientProvider } from '@tanstack/react-query-persist-client';
import { SnackbarProvider } from 'notistack';
import { Suspense, use, useEffect, useMemo } from 'react';
import { BrowserRouter, Navigate, Outlet, Route, Routes, useLocation } from 'react-router';
import type { Me } from '@veldrift/wire';
import { Loading, Trouble } from '../parts/states.tsx';
import { FirstRoom } from '../screens/FirstRoom.tsx';
import { SignIn } from '../screens/SignIn.tsx';
import { Today } from '../screens/today/Today.tsx';
import { StartVisit } from '../screens/start/StartVisit.tsx';
import { Table } from '../screens/table/Table.tsx';
import { api, ApiError } from './api.ts';
import { useBookVersion } from './book.ts';
import { deviceDb } from './deviceDb.ts';
import { deletePlay } from './playStore.ts';
import { leaveWithOthers } from './leaveDevice.ts';
import { cacheLastsMs, keptQueries, meQuery, pathwaysQuery, persister, queryClient } from './queries.ts';
import { outboxOf, SessionProvider, useSessionStatus } from './session.tsx';
import { PageArrival } from './PageArrival.tsx';
import { page, PageTrouble } from './page.tsx';
import { useSettings } from './settings.ts';
import { Shell } from './Shell.tsx';
import { openMinutes } from '../live/openMinutes.ts';
import { makeTheme, tokenProperties } from './theme.ts';

const Pupils = page(() => import('../screens/Pupils.tsx').then((m) => m.Pupils));
const NewPupil = page(() => import('../screens/PupilScreens.tsx').then((m) => m.NewPupil));
const EditPupil = page(() => import('../screens/PupilScreens.tsx').then((m) => m.EditPupil));
const PupilPage = page(() => import('../screens/pupil/PupilPage.tsx').then((m) => m.PupilPage));
const Pictures = page(() => import('../screens/pictures/Pictures.tsx').then((m) => m.Pictures));
const PictureForm = page(() => import('../screens/pictures/PictureForm.tsx').then((m) => m.PictureForm));
const Review = page(() => import('../screens/review/Review.tsx').then((m) => m.Review), { fromTable: true });
const LooseTable = page(() => import('../screens/loose/LooseTable.tsx').then((m) => m.LooseTable));
const ChildSide = page(() => import('../screens/child/ChildSide.tsx').then((m) => m.ChildSide));
const PrintRoom = page(() => import('../screens/print/PrintRoom.tsx').then((m) => m.PrintRoom));
const PrintSheet = page(() => import('../screens/print/PrintSheet.tsx').then((m) => m.PrintSheet));
const RoomPolicy = page(() => import('../screens/room/RoomPolicy.tsx').then((m) => m.RoomPolicy));
const PupilPolicy = page(() => import('../screens/room/PupilPolicy.tsx').then((m) => m.PupilPolicy));
const RoomThings = page(() => import('../screens/room/RoomThings.tsx').then((m) => m.RoomThings));
const People = page(() => import('../screens/room/People.tsx').then((m) => m.People));
const Door = page(() => import('../screens/account/Door.tsx').then((m) => m.Door));
const Pathways = page(() => import('../screens/room/Pathways.tsx').then((m) => m.Pathways));
const PathwayEditor = page(() => import('../screens/room/PathwayEditor.tsx').then((m) => m.PathwayEditor));
const NumberChecker = page(() => import('../screens/checker/NumberChecker.tsx').then((m) => m.NumberChecker));
const WeekPage = page(() => import('../screens/week/WeekPage.tsx').then((m) => m.WeekPage));
const GroupsPage = page(() => import('../screens/groups/GroupsPage.tsx').then((m) => m.GroupsPage));
const LayOutPage = page(() => import('../screens/today/LayOutPage.tsx').then((m) => m.LayOutPage));
const BenchPage = page(() => import('../screens/bench/BenchPage.tsx').then((m) => m.BenchPage));
const Shelf = page(() => import('../screens/shelf/Shelf.tsx').then((m) => m.Shelf));
const GamePage = page(() => import('../screens/shelf/GamePage.tsx').then((m) => m.GamePage));
const FormNumerals = page(() => import('../screens/numerals/FormNumerals.tsx').then((m) => m.FormNumerals));
const Materials = page(() => import('../screens/materials/Materials.tsx').then((m) => m.Materials));
const PartnersAbout = page(() =>
  import('../screens/classroom/PartnersAbout.tsx').then((m) => m.PartnersAbout),
);
const GridCaller = page(() => import('../screens/classroom/GridCaller.tsx').then((m) => m.GridCaller));
const ClassGameScreen = page(() =>
  import('../screens/classroom/ClassGameScreen.tsx').then((m) => m.ClassGameScreen),
);
const Settings = page(() => import('../screens/Settings.tsx').then((m) => m.Settings));
const KeypadCalibration = page(() =>
  import('../screens/calibrate/KeypadCalibration.tsx').then((m) => m.KeypadCalibration),
);
const NamingCalibration = page(() =>
  import('../screens/calibrate/NamingCalibration.tsx').then((m) => m.NamingCalibration),
);
const JudgingCalibration = page(() =>
  import('../screens/calibrate/JudgingCalibration.tsx').then((m) => m.JudgingCalibration),
);
const VoiceCalibration = page(() =>
  import('../screens/calibrate/VoiceCalibration.tsx').then((m) => m.VoiceCalibration),
);

/** What a new build no longer understands of what was kept is passed over. */
const cacheVersion = '5';

export function App() {
  const { theme } = useSettings();
  const made = useMemo(() => makeTheme(theme), [theme]);
  useEffect(() => {
    for (const [name, value] of Object.entries(tokenProperties(theme)))
      document.documentElement.style.setProperty(name, value);
    document.documentElement.style.colorScheme = theme === 'dark' ? 'dark' : 'light';
  }, [theme]);
  return (
    <ThemeProvider theme={made}>
      <CssBaseline />
      <PersistQueryClientProvider
        client={queryClient}
        persistOptions={{
          persister,
          maxAge: cacheLastsMs,
          buster: cacheVersion,
          dehydrateOptions: keptQueries,
        }}
      >
        <SnackbarProvider
          maxSnack={2}
          autoHideDuration={4000}
          anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        >
          <BrowserRouter>
            <PageArrival />
            <Screens />
          </BrowserRouter>
        </SnackbarProvider>
      </PersistQueryClientProvider>
    </ThemeProvider>
  );
}

/** Every address. When the room's pathways change all of it is drawn again, and what is open or typed on it stays. */
function Screens() {
  useBookVersion();
  return (
    <Routes>
      <Route path="/sign-in" element={<SignInOrFirst />} />
      <Route path="/first-room" element={<FirstRoom />} />
      <Route
        path="/door"
        element={
          <PageTrouble at="/door">
            <Suspense fallback={null}>
              <Door />
            </Suspense>
          </PageTrouble>
        }
      />
      <Route
        path="/child"
        element={
          <PageTrouble at="/child">
            <Suspense fallback={null}>
              <ChildSide />
            </Suspense>
          </PageTrouble>
        }
      />
      <Route element={<SignedIn />}>
        <Route path="/table/:playId" element={<Table />} />
        <Route path="/loose/:playId" element={<LooseTable />} />
        <Route path="/class/partners-about" element={<PartnersAbout />} />
        <Route path="/class/grid-call" element={<GridCaller />} />
        <Route path="/class/:gameId" element={<ClassGameScreen />} />
        <Route path="/calibrate/keypad/:pupilId" element={<KeypadCalibration />} />
        <Route path="/calibrate/naming/:pupilId" element={<NamingCalibration />} />
        <Route path="/calibrate/judging" element={<JudgingCalibration />} />
        <Route path="/calibrate/voice" element={<VoiceCalibration />} />
        <Route element={<Framed />}>
          <Route index element={<Today />} />
          <Route path="/week" element={<WeekPage />} />
          <Route path="/groups" element={<GroupsPage />} />
          <Route path="/lay-out" element={<LayOutPage />} />
          <Route path="/pupils" element={<Pupils />} />
          <Route path="/pupils/new" element={<NewPupil />} />
          <Route path="/pupils/:pupilId" element={<PupilPage />} />
          <Route path="/pupils/:pupilId/pictures" element={<Pictures />} />
          <Route path="/pupils/:pupilId/pictures/:fact" element={<PictureForm />} />
          <Route path="/pupils/:pupilId/edit" element={<EditPupil />} />
          <Route path="/table/new/:pupilId" element={<StartVisit />} />
          <Route path="/review/:playId" element={<Review />} />
          <Route path="/pupils/:pupilId/policy" element={<PupilPolicy />} />
          <Route path="/room" element={<RoomPolicy />} />
          <Route path="/room/things" element={<RoomThings />} />
          <Route path="/room/people" element={<People />} />
          <Route path="/room/pathways" element={<Pathways />} />
          <Route path="/room/pathways/:pathwayId" element={<PathwayEditor />} />
          <Route path="/shelf/numerals" element={<FormNumerals />} />
          <Route path="/shelf/bench" element={<BenchPage />} />
          <Route path="/shelf" element={<Shelf />} />
          <Route path="/shelf/:gameId" element={<GamePage />} />
          <Route path="/print" element={<PrintRoom />} />
          <Route path="/print/:sheetId" element={<PrintSheet />} />
          <Route path="/checker" element={<NumberChecker />} />
          <Route path="/settings" element={<Settings />} />
          {/* For whoever draws: in no menu. */}
          <Route path="/materials" element={<Materials />} />
          <Route path="*" element={<p>There is nothing at this address.</p>} />
        </Route>
      </Route>
    </Routes>
  );
}

/** The framed screens; on a device that knows no pathways yet they wait for them. */
function Framed() {
  const { data, error } = useQuery(pathwaysQuery);
  return <Shell>{data || error ? <Outlet /> : <Loading what="this page" />}</Shell>;
}

/** Sign in, or make the first room where there is none yet. */
function SignInOrFirst() {
  const { data } = useQuery({ queryKey: ['setup'], queryFn: api.setup, gcTime: 0 });
  return data?.empty ? <Navigate to="/first-room" replace /> : <SignIn />;
}

/** Pages for a signed-in tutor; without a network, for the one who last signed in on this device. */
function SignedIn() {
  const { status, me, ended } = useSessionStatus();
  const location = useLocation();
  // A sign-in that has ended lets what is under way be finished and kept; it shows no more of the room.
  if (ended && me && !/^\/(table|loose|calibrate|review)\//.test(location.pathname))
    return <Navigate to="/sign-in" replace state={{ from: location.pathname }} />;
  if (me) {
    return (
      <Suspense fallback={<Loading what="this device's store" />}>
        <WithOutbox me={me} ended={ended} />
      </Suspense>
    );
  }
  if (status === 'none') return <Navigate to="/sign-in" replace state={{ from: location.pathname }} />;
  if (status === 'away') {
    return (
      <main style={{ padding: 40 }}>
        <Trouble
          error={
            new ApiError(0, {
              message: 'The server cannot be reached, and no one has signed in on this device before.',
            })
          }
          onRetry={() => void queryClient.refetchQueries(meQuery)}
        />
      </main>
    );
  }
  return (
    <main style={{ padding: 40 }}>
      <Loading what="the room" />
    </main>
  );
}

/** Fetches the room's pathways; a table that is running is left alone when they change. */
function WithBook() {
  useQuery(pathwaysQuery);
  return <Outlet />;
}

function WithOutbox({ me, ended }: { readonly me: Me; readonly ended: boolean }) {
  const outbox = use(outboxOf(me));
  const { pathname } = useLocation();
  useEffect(() => {
    // A minute that was left open is closed at the next look, wherever that is.
    void deviceDb().then((db) => openMinutes(db, outbox, me.userId, new Date().toISOString()));
    void tidyPlays();
  }, [me.userId, outbox]);
  useEffect(() => leaveWithOthers(me), [me]);
  return (
    <SessionProvider me={me} ended={ended} outbox={outbox}>
      <PageTrouble at={pathname}>
        <Suspense fallback={<Loading what="this page" />}>
          <WithBook />
        </Suspense>
      </PageTrouble>
    </SessionProvider>
  );
}

/** Minutes long finished, or never begun, are taken off this device. */
async function tidyPlays(): Promise<void> {
  const db = await deviceDb();
  for (const play of await db.getAll('plays')) {
    const idle = play.state.status === 'over' || play.state.status === 'ready';
    if (idle && Date.now() - Date.parse(play.savedAt) > cacheLastsMs) await deletePlay(db, play.playId);
  }
}
