import { configFrom } from './config.ts'

const good = {
  YASTIK_PORT: '4180',
  YASTIK_DB_PORT: '3306',
  YASTIK_DB_USER: 'y',
  YASTIK_DB_PASSWORD: 'p',
  YASTIK_DB_NAME: 'yastik',
  YASTIK_FILES: '/files',
}

describe('the configuration', () => {
  it('reaches the database by TLS where it is asked to, by the system’s certificates or a file of one’s own', () => {
    expect(configFrom(good).database.tls).toBeUndefined()
    expect(configFrom({ ...good, YASTIK_DB_TLS: '1' }).database.tls).toEqual({})
    expect(configFrom({ ...good, YASTIK_DB_TLS: '/etc/ssl/db.pem' }).database.tls).toEqual({ caFile: '/etc/ssl/db.pem' })
  })
  it('watches the disks that are named, else that of its files', () => {
    expect(configFrom({ ...good, YASTIK_DISKS: '/a:/b' }).disks).toEqual(['/a', '/b'])
    expect(configFrom({ ...good, YASTIK_FILES: 's3://pictures/ours' }).disks).toEqual([])
  })
  it('comes from the environment, loopback and safe where it is silent', () => {
    expect(configFrom(good)).toEqual({
      port: 4180,
      disks: ['/files'],
      host: '127.0.0.1',
      log: 'access',
      database: { host: '127.0.0.1', port: 3306, user: 'y', password: 'p', name: 'yastik' },
      files: { place: '/files' },
      webRoot: undefined,
      modules: { demo: undefined, instruments: undefined, messages: undefined, weather: undefined },
      secureCookies: false,
      trustProxy: false,
    })
    expect(configFrom({ ...good, YASTIK_DEMO: '@our/demo', YASTIK_WEATHER: 'none', YASTIK_SECURE_COOKIES: '1' })).toMatchObject({
      modules: { demo: '@our/demo', weather: undefined },
      secureCookies: true,
    })
  })
  it.each(Object.keys(good))('names %s when it is missing', (name) => {
    expect(() => configFrom({ ...good, [name]: undefined })).toThrow(`the environment variable ${name} is missing`)
  })
  it.each<[string, false | number | string[]]>([
    ['', false],
    ['0', false],
    ['2', 2],
    ['10.0.0.7', ['10.0.0.7']],
    ['10.1.0.0/16, fd00::/8,192.0.2.1', ['10.1.0.0/16', 'fd00::/8', '192.0.2.1']],
  ])('takes “%s” for the proxies in front', (text, trustProxy) => {
    expect(configFrom({ ...good, YASTIK_TRUST_PROXY: text })).toMatchObject({ trustProxy })
  })
  it.each(['true', 'all', '10.0.0', '10.0.0.1/33', '10.0.0.1/8/8', '10.0.0.1,', '-1'])('turns down “%s” for them', (text) => {
    expect(() => configFrom({ ...good, YASTIK_TRUST_PROXY: text })).toThrow(`YASTIK_TRUST_PROXY is ${text}; allowed: the number of proxies in front`)
  })
  it('takes a bucket for files, and the endpoint of a store', () => {
    const bucket = { YASTIK_FILES: 's3://pictures/ours', YASTIK_S3_ENDPOINT: 'http://127.0.0.1:9000' }
    expect(configFrom({ ...good, ...bucket }).files).toEqual({ place: 's3://pictures/ours', endpoint: 'http://127.0.0.1:9000' })
  })
  it('takes whole seconds of grace', () => {
    expect(configFrom({ ...good, YASTIK_GRACE_S: '5' }).graceMs).toBe(5000)
    for (const text of ['-1', '1.5', '601', '', 'soon'])
      expect(() => configFrom({ ...good, YASTIK_GRACE_S: text })).toThrow(`YASTIK_GRACE_S is ${text}; allowed: whole seconds from 0 to 600`)
  })
  it.each(['abc', '-1', '70000', '1.5'])('turns down the port %s', (port) => {
    expect(() => configFrom({ ...good, YASTIK_PORT: port })).toThrow(`YASTIK_PORT is ${port}; allowed: a port from 0 to 65535`)
  })
})
