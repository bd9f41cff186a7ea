/** What is not there, or may not be seen; the two look alike on purpose. */
import { EmptyState, Heading, LinkButton, LoginPage } from '@/ui/kit';

export default function NotFound() {
  return (
    <LoginPage>
      <Heading level={1}>Not found</Heading>
      <EmptyState does={<LinkButton href="/">Go to Today</LinkButton>}>
        This page doesn’t exist, or you don’t have access to it.
      </EmptyState>
    </LoginPage>
  );
}
