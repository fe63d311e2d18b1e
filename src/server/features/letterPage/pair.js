// The one script of a customer's page: lays two pictures of one thing over each other, with a slider between them.
// Without it they stand beside each other.
for (const pair of document.querySelectorAll('.pair')) {
  const slide = document.createElement('input');
  slide.type = 'range';
  slide.value = '50';
  slide.setAttribute('aria-label', 'How much is shown of before');
  const show = () => {
    pair.style.setProperty('--at', slide.value + '%');
    slide.setAttribute('aria-valuetext', slide.value + ' % before, ' + (100 - slide.value) + ' % after');
  };
  slide.addEventListener('input', show);
  show();
  pair.querySelector('.both').after(slide);
  pair.classList.add('slides');
}
