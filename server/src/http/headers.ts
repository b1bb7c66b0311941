// What is said to browsers with every answer: what a page may load and do, and what may be kept.
import type { FastifyInstance } from 'fastify'
import helmet from 'helmet'

/** Nothing of a device is asked for: photographs are taken by the system's own camera. */
const permissions = ['accelerometer', 'camera', 'geolocation', 'gyroscope', 'magnetometer', 'microphone', 'payment', 'usb']
  .map((name) => `${name}=()`)
  .join(', ')

/** @param secure whether cookies are for TLS only: then pages are as well */
export function sendHeaders(app: FastifyInstance, secure: boolean): void {
  // Put together once: it is the same for every answer.
  const protect = helmet({
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        workerSrc: ["'self'", 'blob:'],
        manifestSrc: ["'self'"],
        objectSrc: ["'none'"],
        frameAncestors: ["'none'"],
        upgradeInsecureRequests: null,
      },
    },
    strictTransportSecurity: secure,
  })
  app.addHook('onRequest', (request, reply, done) => protect(request.raw, reply.raw, () => done()))
  app.addHook('onRequest', (request, reply, done) => {
    void reply.header('permissions-policy', permissions)
    // What an endpoint answers is for the one who asked, now; what may be kept says so itself. Pages are for anyone.
    if (!request.is404 && request.routeOptions.url?.startsWith('/api/')) void reply.header('cache-control', 'no-store')
    done()
  })
}
