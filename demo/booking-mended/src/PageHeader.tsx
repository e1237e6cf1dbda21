import { NavLink } from '@/NavLink';
import { Icon } from '@/Icon';

export function PageHeader() {
  return (
    <header>
      <p>Brackwater Boatyard</p>
      <nav aria-label="Main">
        <ul>
          <li><NavLink to="/slips">Slips</NavLink></li>
          <li><NavLink to="/tides">Tide tables</NavLink></li>
          <li><NavLink to="/basket"><Icon name="basket" /> Basket</NavLink></li>
        </ul>
      </nav>
    </header>
  );
}
