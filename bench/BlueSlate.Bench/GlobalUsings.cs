global using BlueSlate.Guide;
