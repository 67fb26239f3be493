import { csrf, type ProductFile } from "./client";

/** Sends a file of a product. */
export const upload = (url: string, file: File, tell: (percent: number) => void, cutOff: string) =>
  uploaded<ProductFile[]>(url, file, tell, cutOff);

/** Sends a file as it is, telling how far it is; the browser reads it piece by piece. */
export function uploaded<T>(url: string, file: File, tell: (percent: number) => void, cutOff: string): Promise<T> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open("POST", url);
    request.setRequestHeader("Content-Type", "application/octet-stream");
    request.setRequestHeader("Accept-Language", document.documentElement.lang || "en");
    request.setRequestHeader("X-XSRF-TOKEN", csrf());
    request.upload.onprogress = (event) => tell(Math.round((100 * event.loaded) / event.total));
    request.onload = () => {
      const body = JSON.parse(request.responseText || "{}");
      if (request.status < 300) resolve(body);
      else reject(body.problems ?? []);
    };
    request.onerror = () => reject([{ path: "file", sentence: cutOff, remedy: "" }]);
    request.send(file);
  });
}
