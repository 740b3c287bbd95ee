import { PageHead } from '../session/PageHead';
import { usePerson } from '../session/useSession';
import { StaffHome } from './StaffHome';
import { StudentHome } from './StudentHome';

/** What is to do next. */
export default function HomePage() {
  const person = usePerson();
  return (
    <>
      <PageHead />
      <main className="page-body wide">
        {person.isStaff && <StaffHome mayWrite={person.isInstructor} />}
        {person.isStudent && <StudentHome />}
        {!person.isStaff && !person.isStudent && (
          <p className="page-state">You are in no cohort yet. Ask your instructor to add you.</p>
        )}
      </main>
    </>
  );
}
