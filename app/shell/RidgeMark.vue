<template>
  <svg viewBox="0 0 34 24" width="34" height="24" aria-hidden="true">
    <path d="M0 24V14h5v-4h6v6h4V5h7v7h4V8h5v16z" fill="var(--ridge-2)" />
    <path d="M0 24v-5h7v-6h5v7h6v-8h5v6h4v-3h7v9z" fill="var(--ridge-5)" />
    <path d="M20.500 12V4" stroke="var(--ember)" stroke-width="1.800" />
    <circle cx="20.500" cy="3.200" r="2.600" fill="var(--ember)" />
  </svg>
</template>
