<template>
  <div class="page narrow">
    <h1>Nothing here</h1>
    <p>This address leads nowhere. <RouterLink to="/">Back to the film</RouterLink></p>
  </div>
</template>
