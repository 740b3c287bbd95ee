import { lazy, Suspense } from 'react';
import { Route, Routes } from 'react-router';
import { useSession } from './features/session/useSession';
import { FirstInstructorPage } from './features/session/FirstInstructorPage';
import { WelcomePage } from './features/session/WelcomePage';
import { SignInPage } from './features/session/SignInPage';
import { Failed, Loading } from './ui/states';

const Home = lazy(() => import('./features/home/HomePage'));
const Exercise = lazy(() => import('./features/exercise/ExercisePage'));
const Before = lazy(() => import('./features/study/BeforePage'));
const Draw = lazy(() => import('./features/study/DrawPage'));
const Marks = lazy(() => import('./features/study/MarksPage'));
const Solution = lazy(() => import('./features/solution/SolutionPage'));
const OwnSolution = lazy(() => import('./features/solution/OwnSolutionPage'));
const Try = lazy(() => import('./features/trying/TryPage'));
const Shelf = lazy(() => import('./features/shelf/ShelfPage'));
const Desk = lazy(() => import('./features/desk/DeskPage'));
const Alike = lazy(() => import('./features/desk/AlikePage'));
const Repair = lazy(() => import('./features/exercise/RepairPage'));
const Questions = lazy(() => import('./features/desk/QuestionsPage'));
const Marking = lazy(() => import('./features/marking/MarkingPage'));
const Blind = lazy(() => import('./features/marking/BlindPage'));
const Cohort = lazy(() => import('./features/cohort/CohortPage'));
const Ways = lazy(() => import('./features/ways/WaysPage'));
const Findings = lazy(() => import('./features/findings/FindingsPage'));
const Finding = lazy(() => import('./features/findings/FindingPage'));

/** The pages. Without a session there is one: signing in. */
export function App() {
  const session = useSession();
  if (session.isPending) return <Loading what="the page" />;
  if (session.isError) return <Failed error={session.error} retry={() => void session.refetch()} />;
  if (!session.data.person) {
    return (
      <Routes>
        <Route path="/first-instructor" element={<FirstInstructorPage />} />
        <Route path="/welcome" element={<WelcomePage />} />
        <Route path="*" element={<SignInPage />} />
      </Routes>
    );
  }
  return (
    <Suspense fallback={<Loading what="the page" />}>
      <Routes>
        <Route path="/exercises/:id" element={<Exercise />} />
        <Route path="/exercises/:id/answers" element={<Desk />} />
        <Route path="/exercises/:id/solution" element={<Solution />} />
        <Route path="/exercises/:id/try" element={<Try />} />
        <Route path="/exercises/:id/repair" element={<Repair />} />
        <Route path="/parts/:id/questions" element={<Questions />} />
        <Route path="/parts/:id/alike" element={<Alike />} />
        <Route path="/marking/:id" element={<Marking />} />
        <Route path="/marking/blind/:id" element={<Blind />} />
        <Route path="/study/:id" element={<Before />} />
        <Route path="/answers/:id" element={<Draw />} />
        <Route path="/answers/:id/marks" element={<Marks />} />
        <Route path="/answers/:id/solution" element={<OwnSolution />} />
        <Route path="/welcome" element={<WelcomePage />} />
        <Route path="/cohorts/:id" element={<Cohort />} />
        <Route path="/ways" element={<Ways />} />
        <Route path="/shelf" element={<Shelf />} />
        <Route path="/findings" element={<Findings />} />
        <Route path="/findings/:code" element={<Finding />} />
        <Route path="*" element={<Home />} />
      </Routes>
    </Suspense>
  );
}
