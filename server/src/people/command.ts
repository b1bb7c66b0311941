// Adds a person to a firm, and the firm when there is none of that name: `--firm F --name N --sign-in S --role owner|technician [--trained …]`, the password on standard input.
import { text } from 'node:stream/consumers'
import { parseArgs } from 'node:util'
import { Fault, faultLine } from '@yastik/core/faults'
import { startHouseRules } from '@yastik/core/method'
import { skills, type Skill } from '@yastik/core/procedure'
import { builtInProducts, builtInVan } from '@yastik/core/products'
import { leastPassword } from '@yastik/core/wire'
import { joined } from '@yastik/core/words'
import { databaseFrom, ownerFrom } from '../config.ts'
import { connect } from '../db/connection.ts'
import { migrateAs } from '../db/migrate.ts'
import { defineModels, Firm, User } from '../db/models.ts'
import { checkPassword } from '../auth/passwordRules.ts'
import { hashPassword } from '../auth/passwords.ts'
import { inEnglish } from '../words.ts'

const usage =
  'usage: npm run person -- --firm NAME --name NAME --sign-in WORD --role owner|technician [--trained wheel-removal,roof,electrics]   (password on standard input)'

function giveUp(sentence: string): never {
  console.error(sentence)
  process.exit(2)
}

function readOptions() {
  const names = ['firm', 'name', 'sign-in', 'role', 'trained'] as const
  const { values } = parseArgs({ options: Object.fromEntries(names.map((name) => [name, { type: 'string' as const }])) })
  const need = (name: (typeof names)[number]): string => String(values[name] ?? giveUp(`--${name} is missing\n${usage}`))
  const role = need('role')
  if (role !== 'owner' && role !== 'technician') giveUp(`--role ${role}; allowed: owner, technician`)
  const trained = String(values.trained ?? '')
    .split(',')
    .filter(Boolean)
  const unknown = trained.filter((skill) => !skills.includes(skill as Skill))
  if (unknown.length > 0) giveUp(`--trained ${unknown.join(',')}; allowed: ${skills.join(', ')}`)
  return { firm: need('firm'), name: need('name'), signIn: need('sign-in'), role, trained: trained as Skill[] } as const
}

const { firm: firmName, name, signIn, role, trained } = readOptions()
const password = (await text(process.stdin)).trim()
if (password.length < leastPassword) giveUp(`The password has ${password.length} characters; at least ${leastPassword} are asked.`)
try {
  checkPassword(password, [name, signIn, firmName])
} catch (error) {
  if (!(error instanceof Fault)) throw error
  giveUp(inEnglish(joined({ semicolon: error.lines.map(faultLine) })))
}
await migrateAs(ownerFrom(process.env))
const sequelize = connect(databaseFrom(process.env))
defineModels(sequelize)
if (await User.findOne({ where: { signIn } })) giveUp(`“${signIn}” is in use already.`)
const passwordHash = await hashPassword(password)
await sequelize.transaction(async (transaction) => {
  const firm =
    (await Firm.findOne({ where: { name: firmName }, transaction })) ??
    (await Firm.create({ name: firmName, houseRules: startHouseRules, products: [...builtInProducts], equipment: [...builtInVan] }, { transaction }))
  await User.create({ firmId: firm.id, name, signIn, role, trained, passwordHash }, { transaction })
})
console.log(`${name} signs in as ${signIn}, ${role} of ${firmName}.`)
await sequelize.close()
