// Draws what a telephone reads. The drawing is large, and only fetched where there is something to draw.

export function drawCodes() {
    document.querySelectorAll('[data-qr]').forEach(async (place) => {
        const { toSVG } = await import('bwip-js/browser');
        place.innerHTML = toSVG({ bcid: 'qrcode', text: place.dataset.qr, scale: 4, eclevel: 'M' });
    });
}
