<script setup lang="ts">
// The few words that are this program's own, each with the common one and why it is not that one; then the trade's.
const own = [
  {
    word: 'Film',
    common: 'overview, list of vehicles by what is due',
    says: 'Every vehicle is a strip of wet film that thins as its protection wears. One sees who is next without reading a number.',
  },
  {
    word: 'Ribbon',
    common: 'timeline of one vehicle',
    says: 'Thickness is what is left of the layer, a slit is a wash, a drop is a reading, the bracket is when it is worth renewing.',
  },
  {
    word: 'Round',
    common: 'today’s route',
    says: 'The stops of one crew and day, in the order that the drying, the gates and the water allow.',
  },
  {
    word: 'Sheet',
    common: 'work order',
    says: 'One visit, step by step, for a phone on the driveway. It works without a signal.',
  },
  {
    word: 'Turn',
    common: 'visit that was done, job in the history',
    says: 'A visit is planned; a turn is what was done there, as it was. A record that is never overwritten, only corrected.',
  },
  {
    word: 'Proof',
    common: 'results, statistics of products',
    says: 'How long each product really lasted on your vehicles against its label. It is proof because it comes from your own readings.',
  },
  {
    word: 'Bench',
    common: 'advice, matching soap, method and topper',
    says: 'What to take for a vehicle as it stands today, and what was ruled out and why.',
  },
  {
    word: 'School',
    common: 'way of working that experts differ on',
    says: 'Where good people disagree the program asks which side you are on, and follows it.',
  },
] as const
const trade = [
  ['Base', 'The layer that is meant to last: a ceramic or graphene coating, a sealant, a wax, a film.'],
  ['Topper', 'What goes on the base every few weeks and is renewed: a spray sealant, a wax, a booster.'],
  [
    'Contact angle',
    'How steep a drop stands, in degrees. Above 90 water beads; it falls as a layer wears or is clogged.',
  ],
  ['Clogged', 'Dirt lies on the layer and water no longer beads. The layer is not dead: decontaminate and read again.'],
  ['Decontamination', 'Taking iron, tar or lime off the paint with what dissolves it, or with clay.'],
  ['Dwell', 'How long a product works on the panel before it is rinsed; it must never dry there.'],
  ['At-panel strength', 'How strong a product is where it touches the paint, after every dilution on the way.'],
  ['Dissolved solids', 'What is left when water dries, in mg/l: what water spots are made of.'],
  ['Rinseless', 'A wash without rinsing: the dirt is wrapped and wiped off. Only up to a certain soil.'],
  ['Wear-week', 'A week outdoors with 200 km and one gentle wash: the measure in which layers are compared.'],
  [
    'Due',
    'The day by which so many of a hundred such layers have failed as you allow: 10, 30 or 50, set under Schools.',
  ],
  ['Nine in ten', 'Nine such days in ten stay within the minutes that are named.'],
] as const
</script>

<template>
  <div class="page">
    <h1>Words</h1>
    <p class="lead">
      Most words here are the trade’s. A few things have no common word that says what they are; those have one of their
      own.
    </p>
    <section>
      <h2>Our own</h2>
      <dl>
        <div v-for="one in own" :key="one.word">
          <dt>
            <strong>{{ one.word }}</strong> <span class="small quiet">elsewhere: {{ one.common }}</span>
          </dt>
          <dd>{{ one.says }}</dd>
        </div>
      </dl>
    </section>
    <section>
      <h2>The trade’s</h2>
      <dl>
        <div v-for="[word, says] in trade" :key="word">
          <dt>
            <strong>{{ word }}</strong>
          </dt>
          <dd>{{ says }}</dd>
        </div>
      </dl>
    </section>
  </div>
</template>

<style scoped>
section {
  margin-top: var(--s5);
}

h2 {
  margin-bottom: var(--s3);
}

dl {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(340px, 100%), 1fr));
  gap: var(--s4) var(--s5);
  margin: 0;
}

dt {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--s2);
  align-items: baseline;
}

dd {
  margin: var(--s1) 0 0;
}
</style>
