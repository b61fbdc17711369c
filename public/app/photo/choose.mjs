// A picture is made smaller on the device before it is sent: it goes faster, and nothing that the camera wrote beside it goes along.

const QUALITY = 0.88;

const form = document.getElementById('choose');
const field = document.getElementById('picture');
const said = document.getElementById('sending');

async function smaller(file, longest) {
    const image = await createImageBitmap(file, { imageOrientation: 'from-image' });
    const share = Math.min(1, longest / Math.max(image.width, image.height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(image.width * share);
    canvas.height = Math.round(image.height * share);
    const draw = canvas.getContext('2d');
    draw.imageSmoothingQuality = 'high';
    draw.drawImage(image, 0, 0, canvas.width, canvas.height);
    return new Promise((made) => canvas.toBlob(made, 'image/jpeg', QUALITY));
}

field.addEventListener('change', async () => {
    const [file] = field.files;
    if (!file) return;
    said.textContent = 'Sending the picture …';
    try {
        const blob = await smaller(file, +form.dataset.longest);
        const files = new DataTransfer();
        files.items.add(new File([blob], 'table.jpg', { type: 'image/jpeg' }));
        field.files = files.files;
    } catch {
        // The server says what is wrong with it.
    }
    form.submit();
});
