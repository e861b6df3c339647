using SkiaSharp;

namespace Mauvaise.Web.Photos;

/// <summary>A picture made ready to keep: upright JPEG without any data about where it was taken.</summary>
public sealed record FramedPhoto(byte[] Image, byte[] Small, int Width, int Height);

/// <summary>The file can not be kept as a photo.</summary>
public sealed class PhotoRefusedException(string code, string sentence) : Exception(sentence)
{
    public string Code { get; } = code;
}

/// <summary>Reads a JPEG, PNG or WebP and draws it anew, smaller. Nothing of the file but its pixels is kept.</summary>
public static class PhotoFrame
{
    public const int MostBytes = 15 * 1024 * 1024;

    private const int LongSide = 1600;
    private const int SmallSide = 320;
    private const int Quality = 82;

    /// <summary>Pixels that are decoded at most: four bytes each, so 160 MB.</summary>
    private const long MostPixels = 40_000_000;

    /// <summary>Ten phones that send at once take the room of one.</summary>
    private static readonly Lock OneAtATime = new();

    /// <exception cref="PhotoRefusedException">No picture, another format, damaged, or far too many pixels.</exception>
    public static FramedPhoto Frame(byte[] file)
    {
        using var data = SKData.CreateCopy(file);
        using var codec = SKCodec.Create(data);
        if (codec is null || codec.EncodedFormat is not (SKEncodedImageFormat.Jpeg or SKEncodedImageFormat.Png or SKEncodedImageFormat.Webp))
        {
            throw new PhotoRefusedException("photo-format", "This is not a photo that can be read. JPEG, PNG and WebP can.");
        }

        lock (OneAtATime)
        {
            using var large = Decode(codec);
            using var image = Upright(Shrink(large, LongSide), codec.EncodedOrigin);
            using var small = Shrink(image, SmallSide);
            return new(Jpeg(image), Jpeg(small), image.Width, image.Height);
        }
    }

    /// <summary>
    /// A photo and its small copy as an archive brings them: kept byte for byte where they are what we would have drawn ourselves, and
    /// drawn anew where they are not.
    /// </summary>
    /// <exception cref="PhotoRefusedException">It is no picture, or damaged.</exception>
    public static (byte[] Image, byte[] Small) AsKept(byte[] image, byte[] small)
    {
        if (IsOurs(image, LongSide) && IsOurs(small, SmallSide))
        {
            return (image, small);
        }

        var anew = Frame(image);
        return (anew.Image, anew.Small);
    }

    private static bool IsOurs(byte[] file, int longSide)
    {
        using var data = SKData.CreateCopy(file);
        using var codec = SKCodec.Create(data);
        if (
            codec is null
            || codec.EncodedFormat != SKEncodedImageFormat.Jpeg
            || Math.Max(codec.Info.Width, codec.Info.Height) > longSide
            || !JpegMarkers.ArePlain(file)
        )
        {
            return false;
        }

        lock (OneAtATime)
        {
            using var drawn = Decode(codec);
            return true;
        }
    }

    /// <summary>Decodes at the smallest size the format offers that still has enough pixels, so that large photos stay cheap.</summary>
    private static SKBitmap Decode(SKCodec codec)
    {
        var full = codec.Info;
        var wanted = Math.Min(1f, (float)LongSide / Math.Max(full.Width, full.Height));
        var size = codec.GetScaledDimensions(wanted);
        if ((long)size.Width * size.Height > MostPixels)
        {
            throw new PhotoRefusedException("photo-pixels", "This picture has too many pixels to open safely. Send a smaller copy.");
        }

        var bitmap = new SKBitmap(new SKImageInfo(size.Width, size.Height, SKColorType.Rgba8888, SKAlphaType.Premul));
        var result = codec.GetPixels(bitmap.Info, bitmap.GetPixels());
        if (result is SKCodecResult.Success)
        {
            return bitmap;
        }

        bitmap.Dispose();
        throw new PhotoRefusedException("photo-damaged", "This photo is damaged or cut off. Take it again, or send another copy.");
    }

    private static SKBitmap Upright(SKBitmap bitmap, SKEncodedOrigin origin)
    {
        if (origin is SKEncodedOrigin.TopLeft)
        {
            return bitmap;
        }

        using (bitmap)
        {
            int w = bitmap.Width,
                h = bitmap.Height;
            var turned = origin >= SKEncodedOrigin.LeftTop ? new SKBitmap(h, w) : new SKBitmap(w, h);
            using var canvas = new SKCanvas(turned);
            canvas.SetMatrix(
                origin switch
                {
                    SKEncodedOrigin.TopRight => new SKMatrix(-1, 0, w, 0, 1, 0, 0, 0, 1),
                    SKEncodedOrigin.BottomRight => new SKMatrix(-1, 0, w, 0, -1, h, 0, 0, 1),
                    SKEncodedOrigin.BottomLeft => new SKMatrix(1, 0, 0, 0, -1, h, 0, 0, 1),
                    SKEncodedOrigin.LeftTop => new SKMatrix(0, 1, 0, 1, 0, 0, 0, 0, 1),
                    SKEncodedOrigin.RightTop => new SKMatrix(0, -1, h, 1, 0, 0, 0, 0, 1),
                    SKEncodedOrigin.RightBottom => new SKMatrix(0, -1, h, -1, 0, w, 0, 0, 1),
                    _ => new SKMatrix(0, 1, 0, -1, 0, w, 0, 0, 1),
                }
            );
            canvas.DrawBitmap(bitmap, 0, 0, SKSamplingOptions.Default);
            return turned;
        }
    }

    private static SKBitmap Shrink(SKBitmap bitmap, int longSide)
    {
        var scale = Math.Min(1.0, (double)longSide / Math.Max(bitmap.Width, bitmap.Height));
        var size = new SKImageInfo(
            Math.Max(1, (int)Math.Round(bitmap.Width * scale)),
            Math.Max(1, (int)Math.Round(bitmap.Height * scale)),
            SKColorType.Rgba8888,
            SKAlphaType.Opaque
        );
        var small = new SKBitmap(size);
        using var canvas = new SKCanvas(small);
        canvas.Clear(SKColors.White);
        using var image = SKImage.FromBitmap(bitmap);
        canvas.DrawImage(image, SKRect.Create(size.Width, size.Height), new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
        return small;
    }

    private static byte[] Jpeg(SKBitmap bitmap)
    {
        using var encoded = bitmap.Encode(SKEncodedImageFormat.Jpeg, Quality);
        return encoded.ToArray();
    }
}
