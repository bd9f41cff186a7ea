/** What is not there, or may not be seen; the two look alike on purpose. */
import { EmptyState, Heading, LinkButton, LoginPage } from '@/ui/kit';

export default function NotFound() {
  return (
    <LoginPage>
      <EmptyState does={<LinkButton href="/">Back to Urraca</LinkButton>}>
        <Heading level={1}>Not found</Heading>
        This page doesn’t exist, or you don’t have access to it.
      </EmptyState>
    </LoginPage>
  );
}
