import { NavLink } from 'react-router';
import { useSession } from '../../app/session.tsx';

/** What belongs to the whole room: how it judges, its pathways, and who works in it. */
export function RoomHead() {
  const { me } = useSession();
  return (
    <div className="work-head">
      <div>
        <h1>{me.room}</h1>
        <nav aria-label="Of the room" className="room-ways">
          <NavLink to="/room" end>
            Numbers of the schools
          </NavLink>
          <NavLink to="/room/pathways">Pathways</NavLink>
          <NavLink to="/room/things">Things</NavLink>
          <NavLink to="/room/people">People</NavLink>
        </nav>
      </div>
    </div>
  );
}
