<template><div class="page" /></template>
