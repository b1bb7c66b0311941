// What is a field said to be? A sentence with its unit, by its name, or by `owner.name` where the name means something else elsewhere.
export type FieldTexts = Readonly<Record<string, string>>
