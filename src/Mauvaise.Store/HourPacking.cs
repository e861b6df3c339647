using System.Buffers.Binary;
using Mauvaise.Core.Sky;

namespace Mauvaise.Store;

/// <summary>
/// 24 hours of 8 fields as little-endian 32-bit floats, hour by hour; NaN stands for unknown. 768 bytes a day. Single precision
/// keeps seven digits, far finer than any thermometer or rain gauge.
/// </summary>
public static class HourPacking
{
    private const int Fields = 8;
    public const int BytesPerDay = 24 * Fields * sizeof(float);

    /// <summary>Packs exactly 24 hours.</summary>
    public static byte[] Pack(IReadOnlyList<WeatherHour> day)
    {
        ArgumentOutOfRangeException.ThrowIfNotEqual(day.Count, 24, nameof(day));
        var bytes = new byte[BytesPerDay];
        for (var h = 0; h < 24; h++)
        {
            var x = day[h];
            ReadOnlySpan<double?> fields =
            [
                x.TemperatureC,
                x.RelativeHumidityPercent,
                x.WindMetresPerSecond,
                x.GustMetresPerSecond,
                x.RainMm,
                x.CloudPercent,
                x.LeafWetness,
                x.SolarWattsPerSquareMetre,
            ];
            for (var f = 0; f < Fields; f++)
            {
                BinaryPrimitives.WriteSingleLittleEndian(bytes.AsSpan((h * Fields + f) * sizeof(float)), (float)(fields[f] ?? double.NaN));
            }
        }

        return bytes;
    }

    /// <summary>The inverse of <see cref="Pack"/>.</summary>
    /// <exception cref="InvalidDataException">The length is not that of a day.</exception>
    public static WeatherHour[] Unpack(byte[] bytes)
    {
        if (bytes.Length != BytesPerDay)
        {
            throw new InvalidDataException($"A day of weather has {BytesPerDay} bytes, not {bytes.Length}.");
        }

        var day = new WeatherHour[24];
        for (var h = 0; h < 24; h++)
        {
            double? Field(int f)
            {
                var value = BinaryPrimitives.ReadSingleLittleEndian(bytes.AsSpan((h * Fields + f) * sizeof(float)));
                return float.IsNaN(value) ? null : value;
            }

            day[h] = new WeatherHour(Field(0), Field(1), Field(2), Field(3), Field(4), Field(5), Field(6), Field(7));
        }

        return day;
    }
}
