import { Link } from 'react-router';
import { Header } from './parts';

/** A screen of a water where the outfit has none yet: what comes first. */
export function NoWater({ screen }: { screen: string }) {
  return (
    <>
      <Header title={screen} />
      <p className="m-4 max-w-prose">
        There is no water yet. A name and the place where you set out are enough to begin:{' '}
        <Link to="/crew?tab=waters&new=water" className="font-semibold text-kelp underline underline-offset-2">
          add a water
        </Link>
        .
      </p>
    </>
  );
}
