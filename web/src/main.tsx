document.title="x";
