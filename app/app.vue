<template>
  <NuxtPage />
  <AlarmOverlay />
</template>
