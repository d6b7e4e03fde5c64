import { useQuery } from '@tanstack/react-query';
import { meQuery } from '../data/queries';
import { Header } from '../ui/parts';
import { KeysOrNot } from './KeysOrNot';
import { Letters } from './Letters';
import { Look } from './Look';
import { Notices } from './Notices';
import { OwnPassword } from './OwnPassword';
import { Passkeys } from './Passkeys';
import { PhoneCalendar } from './PhoneCalendar';
import { SecondFactor } from './SecondFactor';
import { UnitChoices } from './UnitChoices';

/** What each person sets for himself. */
export default function Settings() {
  const { data: me } = useQuery(meQuery);
  return (
    <>
      <Header title="Settings" note={me ? `For ${me.name} alone; the crew keeps its own.` : ''} />
      <section aria-label="Settings" tabIndex={0} className="min-h-0 flex-1 overflow-auto px-[18px] py-4">
        <div className="grid max-w-[980px] gap-x-12 gap-y-8 md:grid-cols-[1.3fr_1fr]">
          <UnitChoices />
          <div className="flex flex-col gap-8">
            <Look />
            <KeysOrNot />
            <Letters />
            <Notices />
            <PhoneCalendar />
            <OwnPassword />
            <SecondFactor />
            <Passkeys />
          </div>
        </div>
      </section>
    </>
  );
}
