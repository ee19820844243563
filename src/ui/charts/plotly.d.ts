declare module "plotly.js-cartesian-dist-min" {
  import Plotly = require("plotly.js");
  export default Plotly;
}
