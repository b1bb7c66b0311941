// Styles say nothing to a test that has no eyes.
