document.getElementById("root")!.textContent = "Idiom"; export {};
