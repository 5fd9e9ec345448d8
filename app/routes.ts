import { index, layout, type RouteConfig, route } from "@react-router/dev/routes";

export default [
  route("sign-in", "sign-in/route.tsx"),
  route("sign-out", "sign-in/sign-out.route.tsx"),
  route("this-device/:token", "device/route.tsx"),
  route("preferences", "preferences/route.tsx"),
  route("at-hand", "shell/at-hand.route.tsx"),
  route("shell.html", "offline/shell.route.tsx"),
  layout("shell/frame.route.tsx", [
    layout("shell/within.route.tsx", [
      index("today/route.tsx"),
      route("vehicles", "vehicles/route.tsx"),
      route("vehicles/new", "vehicle-new/route.tsx"),
      route("vehicles/:vehicleId", "vehicle/route.tsx"),
      route("vehicles/:vehicleId/card", "vehicle-card/route.tsx"),
      route("shop", "shop/route.tsx"),
      route("jobs/:jobId", "job/route.tsx", [
        route("ask", "job/ask/route.tsx"),
        route("find", "job/find/route.tsx"),
        route("plan", "job/plan/route.tsx"),
        route("strip", "job/strip/route.tsx"),
        route("build", "job/build/route.tsx"),
        route("fill", "job/fill/route.tsx"),
        route("prove", "job/prove/route.tsx"),
        route("sign", "job/sign/route.tsx"),
      ]),
    ]),
  ]),
  route("jobs/:jobId/entries", "job/book/entries.route.tsx"),
  route("jobs/:jobId/signature", "job/sign/signature.route.tsx"),
  route("vehicles/:vehicleId/jobs", "vehicle/open-job.route.tsx"),
  route("unsent", "shop/unsent.route.tsx"),
  route("jobs/read-in", "shop/read-in.route.tsx"),
  route("jobs/:jobId/logs", "job/prove/logs.route.tsx"),
  route("jobs/:jobId/logs/:logId/:file", "job/prove/log-file.route.tsx"),
  route("jobs/:jobId/job.json", "job/sign/export.route.tsx"),
  route("*", "not-found/route.tsx"),
] satisfies RouteConfig;
