<template>
  <div class="page narrow">
    <h1>There is nothing at this address</h1>
    <p><RouterLink to="/">To the Board</RouterLink></p>
  </div>
</template>
