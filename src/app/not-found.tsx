/** What is not there, or may not be seen; the two look alike on purpose. */
import { LinkButton } from '@/ui/kit';

export default function NotFound() {
  return (
    <main className="public">
      <h1>There is nothing here</h1>
      <p style={{ margin: '12px 0 20px' }}>Either it never was, or it is not yours to see.</p>
      <LinkButton href="/">To the first page</LinkButton>
    </main>
  );
}
