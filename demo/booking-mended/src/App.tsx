import { BookingPage } from '@/BookingPage';
import { PageHeader } from '@/PageHeader';
import './base.css';

export default function App() {
  return (
    <div className="page">
      <PageHeader />
      <BookingPage />
    </div>
  );
}
