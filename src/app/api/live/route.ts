/** Liveness: this web process answers. A constant, asked nothing of anybody; whether all is well is /api/health. */
export const dynamic = 'force-dynamic';

export const GET = (): Response => Response.json({ status: 'up' });
