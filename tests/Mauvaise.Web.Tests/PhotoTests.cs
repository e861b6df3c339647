using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Photos;
using SkiaSharp;

namespace Mauvaise.Web.Tests;

public sealed class PhotoTests : IAsyncLifetime
{
    private readonly Guid observation = Guid.NewGuid();
    private TestApp app = null!;
    private HttpClient http = null!;

    public async ValueTask InitializeAsync()
    {
        app = await TestApp.StartAsync(demo: true);
        http = app.CreateClient();
        http.BaseAddress = new Uri(http.BaseAddress!, $"/api/gardens/{DemoGarden.GardenId}/");
        await http.SendAsync(
            "observations",
            new NewObservation(observation, DemoGarden.PlantingId("Chapel/courgette"), 10, 2, Ants.None, 0, 0, []),
            HttpStatusCode.Created
        );
    }

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask DisposeAsync()
    {
        http.Dispose();
        await app.DisposeAsync();
    }

    /// <summary>Left half red, right half blue.</summary>
    internal static byte[] Picture(int width, int height, SKEncodedImageFormat format)
    {
        using var bitmap = new SKBitmap(width, height);
        using (var canvas = new SKCanvas(bitmap))
        {
            canvas.Clear(SKColors.Red);
            using var blue = new SKPaint { Color = SKColors.Blue };
            canvas.DrawRect(width / 2f, 0, width / 2f, height, blue);
        }

        using var data = bitmap.Encode(format, 90);
        return data.ToArray();
    }

    /// <summary>The JPEG with an Exif block that turns it a quarter and holds a place.</summary>
    private static byte[] WithExif(byte[] jpeg)
    {
        var tiff = new MemoryStream();
        void Short(int v) => tiff.Write([(byte)v, (byte)(v >> 8)]);
        void Long(int v) => tiff.Write([(byte)v, (byte)(v >> 8), (byte)(v >> 16), (byte)(v >> 24)]);
        tiff.Write("II*\0"u8);
        Long(8);
        Short(2);
        Short(0x0112);
        Short(3);
        Long(1);
        Long(6);
        Short(0x8825);
        Short(4);
        Long(1);
        Long(38);
        Long(0);
        Short(1);
        Short(0x001D);
        Short(2);
        Long(11);
        Long(56);
        Long(0);
        tiff.Write("2026:07:16\0"u8);
        var block = Encoding.ASCII.GetBytes("Exif\0\0").Concat(tiff.ToArray()).ToArray();
        return [.. jpeg[..2], 0xFF, 0xE1, (byte)((block.Length + 2) >> 8), (byte)(block.Length + 2), .. block, .. jpeg[2..]];
    }

    private async Task<HttpResponseMessage> PutAsync(byte[] file, string type = "image/jpeg", Guid? id = null)
    {
        using var content = new ByteArrayContent(file);
        content.Headers.ContentType = new MediaTypeHeaderValue(type);
        return await http.PutAsync($"observations/{observation}/photos/{id ?? Guid.NewGuid()}", content, Stop);
    }

    private async Task<List<PhotoAnswer>> ListAsync() =>
        (await http.GetFromJsonAsync<List<PhotoAnswer>>($"observations/{observation}/photos", TestApp.Json, Stop))!;

    private async Task RefusedAsync(byte[] file, HttpStatusCode status, string code)
    {
        using var answer = await PutAsync(file);
        Assert.Equal(status, answer.StatusCode);
        var problem = JsonDocument.Parse(await answer.Content.ReadAsStringAsync(Stop)).RootElement;
        Assert.Equal(code, problem.GetProperty("code").GetString());
        Assert.Empty(await ListAsync());
    }

    [Theory]
    [InlineData(SKEncodedImageFormat.Jpeg, "image/jpeg")]
    [InlineData(SKEncodedImageFormat.Png, "image/png")]
    [InlineData(SKEncodedImageFormat.Webp, "image/webp")]
    public async Task A_large_picture_is_kept_small_as_jpeg(SKEncodedImageFormat format, string type)
    {
        var id = Guid.NewGuid();
        (await PutAsync(Picture(3200, 1200, format), type, id)).EnsureSuccessStatusCode();
        (await PutAsync(Picture(3200, 1200, format), type, id)).EnsureSuccessStatusCode();
        var photo = Assert.Single(await ListAsync());
        Assert.Equal((1600, 600), (photo.Width, photo.Height));
        var large = await http.GetByteArrayAsync($"photos/{id}", Stop);
        var small = await http.GetByteArrayAsync($"photos/{id}/small", Stop);
        using var shown = SKBitmap.Decode(large);
        using var thumb = SKBitmap.Decode(small);
        Assert.Equal((1600, 600, 320, 120), (shown.Width, shown.Height, thumb.Width, thumb.Height));
        Assert.True(shown.GetPixel(100, 300).Red > 200 && shown.GetPixel(1500, 300).Blue > 200);
    }

    [Fact]
    public async Task It_is_turned_upright_and_says_nothing_of_the_place()
    {
        var id = Guid.NewGuid();
        var file = WithExif(Picture(800, 400, SKEncodedImageFormat.Jpeg));
        Assert.Contains("2026:07:16", Encoding.Latin1.GetString(file), StringComparison.Ordinal);
        (await PutAsync(file, id: id)).EnsureSuccessStatusCode();
        var kept = await http.GetByteArrayAsync($"photos/{id}", Stop);
        Assert.DoesNotContain("Exif", Encoding.Latin1.GetString(kept), StringComparison.Ordinal);
        Assert.DoesNotContain("2026:07:16", Encoding.Latin1.GetString(kept), StringComparison.Ordinal);
        using var shown = SKBitmap.Decode(kept);
        Assert.Equal((400, 800), (shown.Width, shown.Height));
        Assert.True(shown.GetPixel(200, 50).Red > 200 && shown.GetPixel(200, 750).Blue > 200);
    }

    [Fact]
    public async Task What_is_no_photo_is_refused_in_words()
    {
        await RefusedAsync("<svg xmlns='http://www.w3.org/2000/svg'/>"u8.ToArray(), HttpStatusCode.BadRequest, "photo-format");
        await RefusedAsync([], HttpStatusCode.BadRequest, "photo-format");
        var whole = Picture(900, 900, SKEncodedImageFormat.Jpeg);
        await RefusedAsync(whole[..(whole.Length / 3)], HttpStatusCode.BadRequest, "photo-damaged");
    }

    [Fact]
    public async Task A_picture_over_fifteen_megabytes_is_refused() =>
        await RefusedAsync(new byte[PhotoFrame.MostBytes + 1], HttpStatusCode.RequestEntityTooLarge, "photo-large");

    /// <summary>A PNG of a few kilobytes whose header asks for 30,000 by 30,000 pixels.</summary>
    [Fact]
    public async Task A_decompression_bomb_is_refused_before_it_is_decoded()
    {
        var png = Picture(64, 64, SKEncodedImageFormat.Png);
        byte[] header = [(byte)'I', (byte)'H', (byte)'D', (byte)'R', 0, 0, 0x75, 0x30, 0, 0, 0x75, 0x30, .. png[24..29]];
        var bomb = (byte[])[.. png[..12], .. header, .. BitConverter.GetBytes(System.Net.IPAddress.HostToNetworkOrder((int)Crc(header))), .. png[33..]];
        await RefusedAsync(bomb, HttpStatusCode.BadRequest, "photo-pixels");
    }

    [Fact]
    public async Task A_removed_photo_is_gone_and_undo_brings_it_back()
    {
        var id = Guid.NewGuid();
        (await PutAsync(Picture(300, 300, SKEncodedImageFormat.Png), "image/png", id)).EnsureSuccessStatusCode();
        (await http.DeleteAsync($"photos/{id}", Stop)).EnsureSuccessStatusCode();
        Assert.Empty(await ListAsync());
        Assert.Equal(HttpStatusCode.NotFound, (await http.GetAsync($"photos/{id}", Stop)).StatusCode);
        var last = (await http.GetFromJsonAsync<Gardens.GardenAnswer>("", TestApp.Json, Stop))!.LastDeed!;
        Assert.Equal("Removed a photo", last.Words);
        await http.SendAsync("undo", new { deedId = last.Id }, HttpStatusCode.NoContent);
        Assert.Single(await ListAsync());
    }

    [Fact]
    public async Task A_photo_needs_its_note()
    {
        using var content = new ByteArrayContent(Picture(30, 30, SKEncodedImageFormat.Png));
        Assert.Equal(HttpStatusCode.NotFound, (await http.PutAsync($"observations/{Guid.NewGuid()}/photos/{Guid.NewGuid()}", content, Stop)).StatusCode);
    }

    private static uint Crc(byte[] bytes)
    {
        var crc = 0xFFFFFFFFu;
        foreach (var b in bytes)
        {
            crc ^= b;
            for (var k = 0; k < 8; k++)
            {
                crc = (crc & 1) != 0 ? 0xEDB88320u ^ (crc >> 1) : crc >> 1;
            }
        }

        return ~crc;
    }
}
