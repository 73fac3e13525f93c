/** Roles as the site gives them. */
type Role = 'reader' | 'operator' | 'formulator' | 'release_lead';
type Step = { href: string; what: string; why: string };

/** What somebody who is new does first, by role. */
export const FIRST_STEPS: Record<Role, readonly Step[]> = {
  operator: [
    {
      href: '/bench/practice',
      what: 'Practise a run',
      why: 'a house of the model, with its faults; nothing of it is kept',
    },
    {
      href: '/batches/new',
      what: 'Start a batch',
      why: 'choose the recipe, type the meat: the doses and the plan follow',
    },
    { href: '/house', what: 'Look at the houses', why: 'who hangs where, what to press next' },
  ],
  formulator: [
    {
      href: '/recipes',
      what: 'Look at the recipes',
      why: 'each with its way, its figures against the rules, its versions',
    },
    {
      href: '/stores',
      what: 'Fill the stores',
      why: 'ingredients with what is in them; lots feed the blend and the doses',
    },
    {
      href: '/recipes/import',
      what: 'Bring an old list in',
      why: 'spoons and cups become grams, each with how sure that is',
    },
    { href: '/bench', what: 'Try a program', why: 'the model says what it does to a piece' },
  ],
  release_lead: [
    {
      href: '/settings',
      what: 'Confirm the rules',
      why: 'every dose and verdict follows them: hold them against your local code',
    },
    {
      href: '/settings/equipment',
      what: 'Set up places, scales and devices',
      why: 'what is not set up can’t be measured',
    },
    { href: '/settings/people', what: 'Add the people', why: 'each with a role of their own' },
    { href: '/records', what: 'Read a record', why: 'what a signature of yours will stand for' },
  ],
  reader: [
    { href: '/records', what: 'Read the records', why: 'verdicts with their evidence' },
    { href: '/recipes', what: 'Read the recipes', why: 'versions, figures and decisions' },
  ],
};
