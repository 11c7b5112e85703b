document.title = 'x';
