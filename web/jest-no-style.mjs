// Styles mean nothing without a browser.
export default {};
