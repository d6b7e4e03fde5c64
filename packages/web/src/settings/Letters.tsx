import { useQuery } from '@tanstack/react-query';
import { meQuery } from '../data/queries';
import { NoticeKinds } from './NoticeKinds';

/** What is written to this person by mail; nothing is shown where no mail is sent. */
export function Letters() {
  const { data: me } = useQuery(meQuery);
  if (!me?.mail) return null;
  return (
    <section>
      <h2 className="mb-1 font-bold">By mail</h2>
      <NoticeKinds channel="mail" />
    </section>
  );
}
