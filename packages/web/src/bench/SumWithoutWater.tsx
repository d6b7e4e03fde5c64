import { Link } from 'react-router';
import { SumFrame } from './SumFrame';

/** A sum that needs a chart, where there is no water yet. @param gives - What a water would be good for here. */
export function SumWithoutWater({ name, what, gives }: { name: string; what: string; gives?: string }) {
  return (
    <SumFrame name={name} what={what} rules={[]} picture={null}>
      <p>
        There is no water yet.{' '}
        <Link to="/crew?tab=waters" className="underline underline-offset-2">
          Add one
        </Link>
        {gives ? ` ${gives}` : ''}.
      </p>
    </SumFrame>
  );
}
